"""The figures of the wild corpus: sound hand-ins without a word too many, faults named."""

from tests.corpus.wild import (
    Wild,
    alone,
    boards,
    gradual,
    header,
    judge,
    loads,
    presence,
    ranges,
    shows,
    sides,
    sounds,
    surroundings,
    thermometers,
    unseen,
    unseen_states,
)


def exercises() -> tuple[Wild, ...]:
    return (
        *thermometers.ALL,
        *ranges.ALL,
        *presence.ALL,
        *surroundings.ALL,
        *boards.ALL,
        *shows.ALL,
        *gradual.ALL,
        *sounds.ALL,
        *header.ALL,
        *loads.ALL,
        *sides.ALL,
        *alone.ALL,
        *unseen.ALL,
        *unseen_states.ALL,
    )


def main() -> None:
    sound = wrong = faults = told = 0
    for wild in exercises():
        verdict = judge(wild.file, wild.texts())
        sound += 1
        if verdict.serious or verdict.readings != "in-limits" or verdict.not_run:
            wrong += 1
            print(f"sound, but: {wild.title}: {verdict.serious} {verdict.readings} {verdict.not_run} {verdict.steps}")
        for fault in wild.faults:
            faults += 1
            seen = judge(wild.file, wild.with_fault(fault))
            if seen.tells(fault):
                told += 1
            else:
                print(f"not told: {wild.title}: {fault.title}: {seen.rules} {seen.readings} {seen.not_run}")
    print(
        f"wild exercises: {sound - wrong} of {sound} sound hand-ins without a false word; {told} of {faults} faults named"
    )


if __name__ == "__main__":
    main()
