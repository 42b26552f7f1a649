"""Writing into the document: at the writing place, in place of words, beside them, out of it."""
