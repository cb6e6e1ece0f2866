"""What modules make of a stimulus: one class a way of answering, one file a class.

A catalogue entry names its class by `kind` and gives the figures; a new ordinary module needs no code here.
"""

from typing import Annotated

from pydantic import Field

from verifex.core.parts.outputs.axes import AxesOutput
from verifex.core.parts.outputs.base import FloatArray, Parameter, Sensing, Settings
from verifex.core.parts.outputs.cell import CellOutput
from verifex.core.parts.outputs.data import DataOutput
from verifex.core.parts.outputs.echo import EchoOutput
from verifex.core.parts.outputs.identity import IdentityOutput
from verifex.core.parts.outputs.linear import LinearOutput
from verifex.core.parts.outputs.position import PositionOutput
from verifex.core.parts.outputs.power_law import PowerLawOutput
from verifex.core.parts.outputs.share import ShareOutput
from verifex.core.parts.outputs.switch import SwitchOutput

Output = Annotated[
    LinearOutput
    | ShareOutput
    | SwitchOutput
    | CellOutput
    | PowerLawOutput
    | EchoOutput
    | DataOutput
    | AxesOutput
    | PositionOutput
    | IdentityOutput,
    Field(discriminator="kind"),
]

__all__ = [
    "AxesOutput",
    "CellOutput",
    "DataOutput",
    "EchoOutput",
    "FloatArray",
    "IdentityOutput",
    "LinearOutput",
    "Output",
    "Parameter",
    "PositionOutput",
    "PowerLawOutput",
    "Sensing",
    "Settings",
    "ShareOutput",
    "SwitchOutput",
]
