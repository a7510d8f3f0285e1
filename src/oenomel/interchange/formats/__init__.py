"""Open formats: a recipe is read out of any of them, a drink is written in each."""
