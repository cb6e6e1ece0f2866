"""Refusals of modules, batches and calibrations."""

from verifex.acts.refusals import Refused


class UnknownPart(Refused):
    part: str
    sentence = "The catalogue has no part “{part:.40}”."


class BatchNameMissing(Refused):
    sentence = "A batch needs a name, such as “T 2026-09”."


class BatchNameTaken(Refused):
    name: str
    sentence = "There is a batch {name} already."


class LegOrderWrong(Refused):
    order: str
    legs: tuple[str, ...]
    sentence = "“{order:.60}” is no leg order; name each of {legs} once, with hyphens between them."


class BatchHasOtherModules(Refused):
    batch: str
    sentence = "{batch} has modules of another kind in it."


class ModuleTagPrefix(Refused):
    sentence = "Tags begin with up to 8 letters or digits, a letter first, such as T."


class ModuleCount(Refused):
    most: int
    sentence = "Tag 1 to {most} modules at once."


class BatchOfOtherKind(Refused):
    batch: str
    sentence = "{batch} is a batch of another kind."


class ModuleTagSpelling(Refused):
    tag: str
    sentence = "“{tag:.20}” is no tag: letters, digits, hyphens and points, at most 20."


class ModuleRetired(Refused):
    module: str
    sentence = "{module} is retired."


class ModuleInKit(Refused):
    module: str
    kit: str
    sentence = "{module} is in {kit} already."


class PlaceHasOtherModule(Refused):
    ref: str
    kit: str
    sentence = "{ref} of {kit} is another module already."


class NoFreePlace(Refused):
    kit: str
    part: str
    sentence = "{kit} has no free place for a {part}."


class UnknownCalibrationKind(Refused):
    sentence = "Nothing is calibrated by that name."


class CalibrationDayInFuture(Refused):
    sentence = "That day is still to come."


class CalibrationAlreadyWithdrawn(Refused):
    sentence = "That calibration is withdrawn already."


class BoardWithoutFigures(Refused):
    sentence = "A board has no figures of its own here; calibrate its reference instead."


class CalibrationNotPlausible(Refused):
    module: str
    reason: str
    sentence = "{module}: {reason}."


class FiguresNotPlausible(Refused):
    reason: str
    sentence = "{reason}."
