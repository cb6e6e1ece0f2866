"""The flow chart of a program: set-up and loop (and the functions they use) as boxes, decisions in the program's own names.

`words.py` says a statement, `chart.py` makes the boxes, `layout.py` places them, `svg.py` and `dot.py` write them.
"""

from verifex.core.program.flow.chart import flow_charts
from verifex.core.program.flow.dot import dot_of
from verifex.core.program.flow.layout import Placed, placed
from verifex.core.program.flow.svg import svg_of

__all__ = ["Placed", "dot_of", "flow_charts", "placed", "svg_of"]
