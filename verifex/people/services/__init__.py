"""The only writers of courses, sections, staff, class lists and pairs."""
