"""What an utterance is: text, command, both, or unclear."""
