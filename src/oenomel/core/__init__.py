"""The rules and sums of the job: pure functions and frozen records, without interface, database or network."""
