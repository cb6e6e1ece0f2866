"""Shapes of the API: each has a name of its own, or the client made from the document would mix two up."""

from collections import Counter
from unittest import TestCase

from verifex.api.shape import Shape
from verifex.site.api import api


def _all(kind: type) -> list[type]:
    own: list[type] = kind.__subclasses__()
    return [*own, *(found for sub in own for found in _all(sub))]


class NamesTest(TestCase):
    def test_no_two_shapes_have_one_name(self):
        self.assertTrue(api.urls)
        shapes = {f"{shape.__module__}.{shape.__name__}": shape.__name__ for shape in _all(Shape)}
        twice = [name for name, count in Counter(shapes.values()).items() if count > 1]
        self.assertEqual(twice, [])
