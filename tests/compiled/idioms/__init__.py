"""Programs as students write them, each around one habit; every line printed is compared with real compiled code."""

from tests.compiled.idioms import classes, control, language, lists, numbers, texts

IDIOMS = {
    **language.PROGRAMS,
    **numbers.PROGRAMS,
    **texts.PROGRAMS,
    **lists.PROGRAMS,
    **control.PROGRAMS,
    **classes.PROGRAMS,
}
