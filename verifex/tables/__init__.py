"""Tables as people have them: read from CSV and spreadsheets, written so that a spreadsheet opens them safely."""
