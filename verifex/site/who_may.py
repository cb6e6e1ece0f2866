"""Who may do what to what: every address of the API, with the least right that it asks for.

The services check these rights (`people/access.py`, `stores/access.py`); this is the one page to read them on. A test goes to
every address as every kind of person, at what is theirs and at what is not, and holds the answers against this table.
"""

from enum import StrEnum


class Who(StrEnum):
    """The least right an address asks for. Staff of a section have the rights of its course's staff, and those the rights of
    staff anywhere; an instructor has those of an assistant."""

    ANYBODY = "anybody"  # whoever opens the address, logged in or not
    LOGGED_IN = "logged-in"  # whoever is logged in; each gets what is their own
    MEMBER = "member"  # a student of the pair whose docket it is
    OWNER = "owner"  # the one person it was made for
    STORE_STAFF = "store-staff"  # staff of any section: drawers and batches are shared by all courses
    FOUNDER = "founder"  # whoever instructs anywhere, or set up the installation
    COURSE_STAFF = "course-staff"  # staff of any section of the course
    COURSE_INSTRUCTOR = "course-instructor"  # an instructor of any section of the course
    SECTION_STAFF = (
        "section-staff"  # staff of the section; of a kit or module while a pair has it, of that pair’s section
    )
    SECTION_INSTRUCTOR = "section-instructor"  # an instructor of the section
    ALL_SECTIONS = "all-sections"  # an instructor of every section of the course


_ADDRESSES: dict[Who, str] = {
    Who.ANYBODY: """
        post /api/first-start
        get /api/join/{code}
        get /api/join/{code}/qr.svg
        post /api/live/{code}/lines
        post /api/log-in
        get /api/me
    """,
    Who.LOGGED_IN: """
        post /api/log-out
        post /api/me/password
        get /api/my/dockets
        get /api/names
        get /api/sessions
        get /api/set-up/courses
        get /api/sums
        post /api/sums/bands
        post /api/sums/of/{name}
        post /api/sums/value
    """,
    Who.MEMBER: """
        get /api/my/dockets/{docket_id}
        post /api/my/dockets/{docket_id}/ask
        post /api/my/dockets/{docket_id}/check-wiring
        post /api/my/dockets/{docket_id}/hand-in
        get /api/my/dockets/{docket_id}/hint-line
        get /api/my/dockets/{docket_id}/live
        post /api/my/dockets/{docket_id}/live
        post /api/my/dockets/{docket_id}/live/mark
        get /api/my/dockets/{docket_id}/live/said
        post /api/my/dockets/{docket_id}/live/stop
        get /api/my/dockets/{docket_id}/marks
        post /api/my/dockets/{docket_id}/measure
        post /api/my/dockets/{docket_id}/open-hint
        get /api/my/dockets/{docket_id}/prediction.pdf
        post /api/my/dockets/{docket_id}/withdraw
    """,
    Who.OWNER: """
        post /api/me/invitations/{invitation_id}
        get /api/work/{work_id}
        post /api/work/{work_id}/cancel
        get /api/work/{work_id}/file
    """,
    Who.STORE_STAFF: """
        get /api/batches
        post /api/batches
        put /api/batches/{batch_id}
        get /api/exercises
        get /api/faults
        get /api/kits
        get /api/modules
        post /api/modules
        get /api/stock
        post /api/stock
        post /api/stock/moves/{move_id}/undo
        put /api/stock/{item_id}
        post /api/stock/{item_id}/book-in
        post /api/stock/{item_id}/count
        get /api/stock/{item_id}/moves
        get /api/stores/coming
        get /api/stores/coming.pdf
        get /api/stores/kinds
        get /api/stores/label-sheets
        get /api/stores/labels.pdf
        get /api/stores/orders
        get /api/stores/tables
        post /api/stores/tables/{name}/import
        post /api/stores/tables/{name}/preview
    """,
    Who.FOUNDER: """
        post /api/exercises
        post /api/set-up/backup
        post /api/set-up/courses
        post /api/set-up/import
    """,
    Who.COURSE_STAFF: """
        get /api/exercises/{version_id}/derived
        get /api/exercises/{version_id}/file
        get /api/exercises/{version_id}/obstacles
        post /api/exercises/{version_id}/sheet
        post /api/exercises/{version_id}/sliders
        get /api/hatch/advice
        get /api/hatch/inspection
        get /api/hatch/parts
        get /api/hatch/settings
        post /api/kits/tests/{test_id}
        get /api/modules/{module_id}
    """,
    Who.COURSE_INSTRUCTOR: """
        post /api/exercises/{version_id}/release
        get /api/set-up/courses/{course_id}
        put /api/set-up/courses/{course_id}
        post /api/set-up/courses/{course_id}/copy
        get /api/set-up/courses/{course_id}/events
        get /api/set-up/courses/{course_id}/events.csv
        post /api/set-up/courses/{course_id}/rooms
        get /api/set-up/courses/{course_id}/samples
        post /api/set-up/courses/{course_id}/samples
        post /api/set-up/courses/{course_id}/sections
        get /api/set-up/courses/{course_id}/sessions
        post /api/set-up/exercises/{exercise_id}/kits
        delete /api/set-up/rooms/{room_id}
        put /api/set-up/rooms/{room_id}
    """,
    Who.SECTION_STAFF: """
        post /api/calibrations/{calibration_id}/withdraw
        get /api/dockets/{docket_id}
        post /api/dockets/{docket_id}/carry-over
        post /api/dockets/{docket_id}/check-again
        post /api/dockets/{docket_id}/check-wiring
        post /api/dockets/{docket_id}/claim
        post /api/dockets/{docket_id}/clear
        post /api/dockets/{docket_id}/hand-in
        get /api/dockets/{docket_id}/history
        get /api/dockets/{docket_id}/live
        post /api/dockets/{docket_id}/live
        post /api/dockets/{docket_id}/live/mark
        get /api/dockets/{docket_id}/live/said
        post /api/dockets/{docket_id}/live/stop
        get /api/dockets/{docket_id}/marks
        post /api/dockets/{docket_id}/measure
        get /api/dockets/{docket_id}/program/flow
        get /api/dockets/{docket_id}/program/line
        post /api/dockets/{docket_id}/sheet
        get /api/dockets/{docket_id}/sheet.pdf
        get /api/dockets/{docket_id}/sheets
        post /api/dockets/{docket_id}/sliders
        post /api/dockets/{docket_id}/undo
        post /api/dockets/{docket_id}/wiring/solve
        get /api/dockets/{docket_id}/wiring/study
        delete /api/faults/photos/{photo_id}
        post /api/faults/{fault_id}/close
        post /api/faults/{fault_id}/mend
        post /api/faults/{fault_id}/photos
        post /api/hatch/came-back
        post /api/hatch/faults
        post /api/hatch/hand-out
        post /api/hatch/put-right
        post /api/hatch/read
        post /api/hatch/replace
        post /api/hatch/setting
        post /api/hatch/substitute
        post /api/hatch/take-back
        post /api/hatch/undo-replace
        post /api/hatch/undo-substitute
        post /api/hatch/undo-take-back
        put /api/modules/{module_id}
        post /api/modules/{module_id}/calibrations
        post /api/modules/{module_id}/faults
        post /api/modules/{module_id}/place
        get /api/sessions/{session_id}/floor
        get /api/sessions/{session_id}/inspection.pdf
        get /api/sessions/{session_id}/marks
        get /api/sessions/{session_id}/marks.csv
        get /api/sessions/{session_id}/pairs
        post /api/sessions/{session_id}/papers
        get /api/sessions/{session_id}/picking.pdf
        get /api/set-up/sessions/{session_id}
        post /api/set-up/sessions/{session_id}/absent
        post /api/set-up/sessions/{session_id}/assign
        post /api/set-up/sessions/{session_id}/join
        post /api/set-up/sessions/{session_id}/seats
    """,
    Who.SECTION_INSTRUCTOR: """
        post /api/dockets/{docket_id}/close-marking
        post /api/dockets/{docket_id}/constants
        post /api/dockets/{docket_id}/marks
        post /api/dockets/{docket_id}/pass
        post /api/dockets/{docket_id}/reopen
        post /api/dockets/{docket_id}/reopen-marking
        post /api/dockets/{docket_id}/send-back
        post /api/dockets/{docket_id}/students
        post /api/sessions/{session_id}/pass-clean
        delete /api/set-up/kits/{kit_id}
        delete /api/set-up/pairs/{pair_id}
        put /api/set-up/pairs/{pair_id}
        delete /api/set-up/sections/{section_id}
        put /api/set-up/sections/{section_id}
        post /api/set-up/sections/{section_id}/class-list/import
        post /api/set-up/sections/{section_id}/class-list/preview
        post /api/set-up/sections/{section_id}/class-list/read
        delete /api/set-up/sections/{section_id}/invitations/{invitation_id}
        post /api/set-up/sections/{section_id}/pairs
        post /api/set-up/sections/{section_id}/pairs/propose
        post /api/set-up/sections/{section_id}/password
        get /api/set-up/sections/{section_id}/people
        post /api/set-up/sections/{section_id}/sessions
        post /api/set-up/sections/{section_id}/slips
        post /api/set-up/sections/{section_id}/staff
        put /api/set-up/sections/{section_id}/staff/{user_id}
        post /api/set-up/sections/{section_id}/students
        delete /api/set-up/sections/{section_id}/students/{user_id}
        put /api/set-up/sections/{section_id}/students/{user_id}
        get /api/set-up/sections/{section_id}/students/{user_id}/data.json
        post /api/set-up/sections/{section_id}/students/{user_id}/forget
        delete /api/set-up/sessions/{session_id}
        put /api/set-up/sessions/{session_id}
        post /api/set-up/sessions/{session_id}/control
        post /api/set-up/sessions/{session_id}/papers
    """,
    Who.ALL_SECTIONS: """
        post /api/set-up/courses/{course_id}/closed
        get /api/set-up/courses/{course_id}/export.zip
    """,
}

#: By method and path.
WHO_MAY: dict[tuple[str, str], Who] = {
    (method, path): who
    for who, addresses in _ADDRESSES.items()
    for method, path in (line.split() for line in addresses.strip().splitlines())
}
