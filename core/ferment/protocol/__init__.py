"""The method language: options, what can be waited for, methods as data, and the course that choices make of one.

Knows mixing and what a look shows; no method by name, no log, no clock. Offers the language, its linter and JSON form,
and `course.settle`.
"""
