"""The rules of the job: text and data go in, findings and expected values come out.

Pure Python: no web framework, no clock, no network. Only `cli` opens a user's files.
"""
