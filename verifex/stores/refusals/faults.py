"""Refusals of faults, their pictures and tests of parts."""

from verifex.acts.refusals import Refused


class PictureTooManyPixels(Refused):
    width: int
    height: int
    most: int
    sentence = "This picture has {width} by {height} pixels; up to {most} a side are taken."


class FaultTextMissing(Refused):
    sentence = "Say what is wrong with it."


class WholeKitFault(Refused):
    title: str
    sentence = "{title} is a whole kit: remove its broken part, and fill it up again."


class FaultAlreadyClosed(Refused):
    title: str
    sentence = "{title}: that fault is closed already."


class KitHasNoSuchPlace(Refused):
    kit: str
    ref: str
    sentence = "{kit} has no {ref}."


class PartTestAnswered(Refused):
    part: str
    kit: str
    outcome: str
    sentence = "{part} of {kit} was answered already: {outcome}."


class TooManyPhotos(Refused):
    most: int
    sentence = "{most} pictures of one fault are enough; remove one first."


class NotAPicture(Refused):
    sentence = "This file is no picture that can be read here: JPEG, PNG or WebP."
