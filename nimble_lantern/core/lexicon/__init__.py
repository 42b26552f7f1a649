"""The words that decide something, by topic: each set says what, with an utterance if it can."""
