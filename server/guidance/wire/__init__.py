"""What goes over the wire about how the jars are doing. The contract is said here, field by field, with its units."""
