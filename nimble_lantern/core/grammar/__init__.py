"""The pattern notation, its matcher, the catalogue of commands, the export for recognisers."""
