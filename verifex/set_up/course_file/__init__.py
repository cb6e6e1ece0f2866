"""A course as one zip of open files: taken out, put into another installation, copied for next year."""
