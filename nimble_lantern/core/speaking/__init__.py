"""Text for the ear."""
