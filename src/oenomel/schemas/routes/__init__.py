"""Bodies and queries of one router each, where nobody else needs them."""
