"""The registry of calculations: shop numbers in, worked and sourced figures out."""
