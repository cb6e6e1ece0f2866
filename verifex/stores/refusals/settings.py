"""Refusals of settings and values found at a part."""

from verifex.acts.refusals import Refused


class OtherResistorFound(Refused):
    ohms: str
    ref: str
    expected: str
    sentence = (
        "{ohms} is another resistor than {ref} should be: {expected}. Put the right one in, or record a substitution."
    )


class UnknownSetting(Refused):
    ref: str
    part: str
    setting: str
    available: str
    sentence = "{ref} ({part}) has no setting “{setting:.20}”.{available}"


class SettingValueNotPositive(Refused):
    value: str
    unit: str
    example: str
    sentence = "“{value:.20}” is no {unit} value above 0, {example}."


class PartNotInRecipe(Refused):
    exercise: str
    ref: str
    sentence = "The recipe of {exercise} has no {ref}."


class SettingNotPossible(Refused):
    setting: str
    possible: str
    value: str
    sentence = "“{setting}” is {possible}, not “{value:.20}”."
