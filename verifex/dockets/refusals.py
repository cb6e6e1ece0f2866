"""Refusals of dockets: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class NoPairForHandOut(Refused):
    badge: str
    sentence = "No pair of this section has the badge or name “{badge:.40}”."


class SeveralPairsMatch(Refused):
    name: str
    sentence = "Several pairs have a “{name:.40}”; scan the badge."


class ScannedModule(Refused):
    tag: str
    sentence = "{tag:.20} is a module. To give it for another one, choose Replace and scan the kit."


class ScannedDrawer(Refused):
    code: str
    sentence = "{code:.40} is a drawer. Scan a kit or a badge here; drawers are counted under Drawers."


class NothingScanned(Refused):
    sentence = "Scan or type the tag of a kit, or the badge or name of a pair."


class ScannedUnknown(Refused):
    code: str
    sentence = "“{code:.40}” is no kit of this course, and no badge or name of a pair of this section."


class KitOfAnotherCourse(Refused):
    kit: str
    sentence = "{kit} belongs to another course."


class PartNotUsable(Refused):
    reason: str
    sentence = "{reason}."


class SheetNotWorkedOut(Refused):
    sentence = "The sheet of this bench could not be worked out; see the findings of its wiring."


class NoReleasedVersion(Refused):
    exercise: str
    sentence = "{exercise} has no released version."


class MeterWalkUnfinished(Refused):
    missing: str
    sentence = "This exercise asks for the meter walk before power. {missing} of it are not entered yet."


class StillBeingJudged(Refused):
    sentence = "This is still being judged. It takes a moment; then decide with the findings before you."


class StopHolds(Refused):
    held_by: str
    sentence = "{held_by} Only an instructor can overrule it."


class DangerousVoltageHolds(Refused):
    sentence = "A Stop about dangerous voltage cannot be overruled."


class StopNeedsReason(Refused):
    held_by: str
    sentence = "{held_by} To overrule it, give the reason."


class PowerIsCleared(Refused):
    sentence = "Power is cleared, not passed."


class MarkingIsClosedNotPassed(Refused):
    sentence = "Marking is closed, not passed."


class NothingHandedIn(Refused):
    sentence = "Nothing was handed in here yet."


class MeterWalkDiffers(Refused):
    step: str
    measured: float
    unit: str
    expected: str
    sentence = "{step}: {measured:g} {unit} was read, {expected} is right. Find that lead first."


class NoWiringToClear(Refused):
    sentence = "No wiring was handed in, so there is nothing to clear."


class NewerWiringAttempt(Refused):
    attempt: int
    sentence = "The pair has handed in attempt {attempt} meanwhile; look at that one."


class PairHasNoKit(Refused):
    sentence = "The pair has no kit now."


class BenchNotCompared(Refused):
    sentence = "Compare supply, ground and polarity with the real bench first, and tick that you did."


class ReopenWithMarks(Refused):
    sentence = "A closed marking is reopened with its marks."


class ReopeningNeedsReason(Refused):
    sentence = "Say why it is reopened."


class NothingToTakeBack(Refused):
    sentence = "There is no decision left that can be taken back; reopen the station instead."


class AlreadyClaimed(Refused):
    staff: str
    sentence = "{staff} is on the way there already."


class NoOpenDocketForKit(Refused):
    sentence = "No docket is open for this kit."


class MarkingClosed(Refused):
    sentence = "The marking of this docket is closed. Reopen it first; then this can be done."


class UnknownHandInKind(Refused):
    kind: str
    kinds: tuple[str, ...]
    sentence = "“{kind:.20}” is nothing that is handed in; {kinds} are."


class RequestTokenLength(Refused):
    most: int
    sentence = "The request token must be 1 to {most} characters; it lets a hand-in that is sent twice be kept once."


class ExerciseWithoutProgram(Refused):
    sentence = "This exercise has no program: its bench works by itself."


class PredictionAfterReadings(Refused):
    sentence = "A prediction comes before the readings, and those are handed in."


class RequestTokenReused(Refused):
    sentence = "Another text was handed in with this one's mark. Nothing is lost; hand it in once more."


class HintOfEarlierHandIn(Refused):
    sentence = "This hint belongs to an earlier hand-in; it is not there any more."


class HintStepsInOrder(Refused):
    sentence = "Hints are opened one step after the other."


class AllHintStepsOpened(Refused):
    steps: int | None
    sentence = "All {steps} steps that this exercise allows are opened; ask your instructor."


class UnknownMeasurement(Refused):
    name: str
    sentence = "“{name:.60}” is nothing this exercise measures."


class VersionNotReleased(Refused):
    version: str
    sentence = "{version} is not released yet."


class PairNotInSection(Refused):
    pair: str
    sentence = "{pair} is not in this session's section."


class CourseClosedForWork(Refused):
    sentence = "This course is closed; open it again in Set-up to work in it."


class PairMarkingClosed(Refused):
    pair: str
    exercise: str
    sentence = "The marking of {pair} for {exercise} is closed; an instructor can reopen it."


class VersionWithoutScheme(Refused):
    version: str
    sentence = "{version} has no mark scheme."


class CarriedToOtherSection(Refused):
    sentence = "A docket is carried over to a later session of its own section."


class NothingToCarryOver(Refused):
    sentence = "The marking of this docket is closed; there is nothing to go on with."


class PairStillHasKit(Refused):
    pair: str
    sentence = "{pair} still has a kit; take it back first."


class DocketExistsInSession(Refused):
    pair: str
    sentence = "{pair} has a docket for this exercise in that session already."


class SessionPausedNoPower(Refused):
    sentence = "The session is paused: nobody is cleared for power until it goes on."


class SessionOver(Refused):
    sentence = "The session is over and its time for late hand-ins has passed. Ask your instructor."


class KitNotPlanned(Refused):
    kit: str
    exercise: str
    planned: tuple[str, ...]
    sentence = "{kit} is a kit for {exercise}; this session has {planned}."


class PairDoesOtherExercise(Refused):
    pair: str
    own_exercise: str
    kit: str
    kit_exercise: str
    sentence = "{pair} does {own_exercise} in this session; {kit} is a kit for {kit_exercise}."


class NoWiringJudged(Refused):
    sentence = "No wiring is judged yet."


class NoWiringHandedIn(Refused):
    sentence = "No wiring is handed in yet."


class NoOperatingPoint(Refused):
    sentence = "This circuit has no sensible operating point; see the findings first."


class NoLineForHint(Refused):
    sentence = "There is no line to show for this hint."


class WiringNotReadable(Refused):
    reason: str
    sentence = "{reason}."


class NoKitHandedOut(Refused):
    sentence = "No kit is handed out yet."


class PowerNotCleared(Refused):
    sentence = "Readings come after power: the bench is not cleared now."


class NothingToDoAtStation(Refused):
    act: str
    station: str
    sentence = "There is nothing to {act} at the {station} station."


class ActNotPossible(Refused):
    act: str
    sentence = "It is not possible to {act} here now."


class AlreadyRequested(Refused):
    sentence = "It was asked for already."


class ImplausibleMeasurement(Refused):
    value: str
    what: str
    bounds: str
    advice: str
    sentence = "{value} is not plausible for “{what}”; {bounds} is.{advice}"


class MarkingAlreadyClosed(Refused):
    sentence = "The marking of this docket is closed already."


class MarksAreClosed(Refused):
    sentence = "The marking of this docket is closed. Reopen it first; then its marks can be changed."


class NothingRequested(Refused):
    sentence = "Nothing was asked here."


class NothingToMark(Refused):
    sentence = "There is nothing to mark yet."


class NothingToRequest(Refused):
    sentence = "There is nothing to ask for here now."


class NothingToSendBack(Refused):
    sentence = "There is nothing to send back here."


class OnlyPassedStationReopens(Refused):
    sentence = "Only a passed station can be reopened."


class StationAlreadyPassed(Refused):
    sentence = "This station is passed already."


class StationNotOpen(Refused):
    sentence = "This station is not open."


class NothingRuns(Refused):
    reason: str
    sentence = "{reason}"
