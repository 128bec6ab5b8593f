"""What a drive must do, and its shafts."""
