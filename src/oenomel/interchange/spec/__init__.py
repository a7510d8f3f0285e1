"""The spec file: its keys, the drink it describes, and back."""
