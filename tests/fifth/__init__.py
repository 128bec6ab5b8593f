"""An invented fifth family of drives on an invented sixth kind of wheel, and what it has to bring along."""
