"""A house written down whole: its drinks with their notebook, its own bottles, its shelf; as one file, and out of files of any kind."""
