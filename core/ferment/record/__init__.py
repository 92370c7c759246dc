"""What a baker records, and the record replayed. The log is the truth; all above it is computed from it.

Knows the kitchen and mixing. Offers the entries of a log, and the ledger: what each feed left in the jar, where its
line stood, and what every look saw, as one `Sighting` that everything above reads.
"""
