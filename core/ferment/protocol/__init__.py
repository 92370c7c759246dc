"""The method language: options, what can be waited for, methods as data, and the course that choices make of one."""
