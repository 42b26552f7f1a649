"""Where documents and utterances are kept: SQLite, one transaction an utterance."""
