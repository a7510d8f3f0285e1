"""A house, or some of its drinks, written to a file and read into another data file."""
