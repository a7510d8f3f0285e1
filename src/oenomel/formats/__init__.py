"""Open formats: recipes and tables are read from any of them, drinks are written in each."""
