"""The heart: pure Python, without interface, database or recogniser."""
