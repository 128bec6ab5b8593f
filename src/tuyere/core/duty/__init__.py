"""What a drive must do: service factors."""
