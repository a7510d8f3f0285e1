"""The demo scenario, all invented: the Orangery at Quillmere."""
