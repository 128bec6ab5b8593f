"""The life of a drive after it runs: failures and what the record says of them."""
