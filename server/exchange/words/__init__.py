"""What leaves the application on paper or as a calendar, in words: there is no interface around it to say them.

A second language is a second module beside `en`, chosen here.
"""

from . import en as words
from .en import Card

__all__ = ["Card", "words"]
