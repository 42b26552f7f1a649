"""The built-in recogniser: PocketSphinx with the US English model of its wheel, offline."""
