"""The two forms of a parcel, a data package and one JSON document: rows in and out, no database."""
