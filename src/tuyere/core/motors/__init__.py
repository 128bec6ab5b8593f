"""Motors: speeds by poles and frequency, the least sheave their shaft and bearings stand."""
