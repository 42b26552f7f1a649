"""The document: blocks, marks, positions, edits, units, lines, history."""
