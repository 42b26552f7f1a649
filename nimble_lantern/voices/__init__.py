"""Who reads aloud: the browser, espeak-ng, or a stand-in that keeps what was said."""
