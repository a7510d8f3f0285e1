"""A router an aggregate: parse, call core or store, answer."""
