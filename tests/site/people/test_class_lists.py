"""Class lists as schools export them: read, columns told apart, compared, imported all or nothing."""

import base64
import io
import zipfile
from random import Random
from typing import Any
from unittest import TestCase
from unittest import TestCase as PlainCase

from hypothesis import given
from hypothesis import strategies as st
from openpyxl import Workbook

from tests.site.base import DemoCase
from verifex.acts.refusals import Refused
from verifex.people.class_list.changes import Entry, Listed, compare
from verifex.people.class_list.columns import propose_columns
from verifex.people.models import PairMember, Section, Staff, Student, User
from verifex.people.services.pairing import pairing
from verifex.people.user_names import log_in_for, split_name
from verifex.tables.read import read_rows


def ods(rows: list[list[str]]) -> bytes:
    """The least OpenDocument spreadsheet."""
    cells = "".join(
        "<table:table-row>"
        + "".join(
            f'<table:table-cell office:value-type="string"><text:p>{cell}</text:p></table:table-cell>' for cell in row
        )
        + "</table:table-row>"
        for row in rows
    )
    spaces = " ".join(
        f'xmlns:{name}="urn:oasis:names:tc:opendocument:xmlns:{name}:1.0"' for name in ("office", "table", "text")
    )
    content = f"<office:document-content {spaces}><office:body><office:spreadsheet><table:table table:name='a'>{cells}</table:table></office:spreadsheet></office:body></office:document-content>"
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as book:
        book.writestr("mimetype", "application/vnd.oasis.opendocument.spreadsheet")
        book.writestr("META-INF/manifest.xml", "<manifest/>")
        book.writestr("content.xml", content)
    return out.getvalue()


def xlsx(rows: list[list[Any]]) -> bytes:
    book = Workbook()
    book.create_sheet("notes")
    for row in rows:
        book.active.append(row)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


class StrayCellTest(TestCase):
    def test_a_cell_far_below_the_others_is_named_and_counts_as_no_thousand_rows(self):
        book = Workbook()
        for place, value in (("A1", "Name"), ("A2", "Mira Kessler"), ("J9000", "x")):
            book.active[place] = value
        out = io.BytesIO()
        book.save(out)
        with self.assertRaisesRegex(Refused, "Row 9000 has something in it, far below the 2 other filled rows"):
            read_rows(out.getvalue())


class ReadTest(PlainCase):
    def test_each_kind_of_file_gives_the_same_rows(self):
        rows = [["Name", "Number"], ["Mira Kessler", "20311"], ["Tomé Duarte", "20312"]]
        text = "\r\n".join(",".join(row) for row in rows)
        for data in (
            text.encode(),
            text.encode("utf-16"),
            ("\ufeff" + text.replace(",", ";")).encode(),
            text.replace(",", "\t").encode("cp1252"),
            xlsx([rows[0], ["Mira Kessler", 20311], ["Tomé Duarte", 20312.0]]),
            ods(rows),
        ):
            self.assertEqual(read_rows(data), rows)

    def test_what_is_no_class_list_is_refused_in_words(self):
        table = {
            b"": "empty",
            b"   \n ": "empty",
            b",,,\n,,": "nothing in the cells",
            b"\x89PNG\r\n\x1a\n\0\0": "no table",
            b"PK\x03\x04 broken": "cannot be read",
            b"a,b\n" * 400_000: "at most 1 MB",
            b"a,b\n" * 6000: "6000 filled rows",
        }
        for data, said in table.items():
            with self.assertRaises(Refused) as caught:
                read_rows(data)
            self.assertIn(said, str(caught.exception), data[:20])

    @given(st.binary(max_size=400))
    def test_no_file_breaks_it(self, data):
        try:
            rows = read_rows(data)
        except Refused:
            return
        propose_columns(rows)


class ColumnsTest(PlainCase):
    def test_columns_as_schools_name_them(self):
        table = {
            "First name,Last name,Student ID": {"first": 0, "last": 1, "number": 2},
            "ID;Surname;Given names;Class": {"number": 0, "last": 1, "first": 2, "section": 3},
            "No.,Name,Group": {"number": 0, "name": 1, "group": 2},
            "Name,First name,e-mail": {"last": 0, "first": 1},
            "STUDENT_NAME,Tutor group": {"name": 0, "group": 1},
            "Student Name (Last First)|Campus key|Section": {"name": 0, "number": 1, "section": 2},
            "Name of student;Year;Roll number": {"name": 0, "number": 2},
            "Prénom;Nom de famille;Numéro": {"first": 0, "last": 1},
        }
        for header, meanings in table.items():
            cut = next(mark for mark in ",;|" if mark in header)
            body = "\n".join(cut.join((f"{n}", "Nell", "Lee")) for n in range(3))
            body = body if "Campus" not in header else "Lee Kim|A1311|Mo\nSol Ray|A1312|Mo"
            rows = read_rows(f"Some school\n\n{header}\n{body}\n".encode())
            self.assertEqual(propose_columns(rows).meanings, meanings, header)
            self.assertEqual(propose_columns(rows).first_row, 3, header)

    def test_columns_without_a_header_are_told_by_what_is_in_them(self):
        table = {
            "Mira Kessler\nTomé Duarte\n": {"name": 0},
            "Kessler, Mira\nDuarte, Tomé\n".replace(", ", ",") + "Vance,Hugo\n": {"first": 0, "last": 1},
            "20311,Mira Kessler\n20312,Tomé Duarte\n": {"number": 0, "name": 1},
        }
        for text, meanings in table.items():
            self.assertEqual(propose_columns(read_rows(text.encode())).meanings, meanings, text)


class CompareTest(PlainCase):
    LISTED = [
        Listed("Mira", "Kessler", "20311", "A", "Monday", user_id=1),
        Listed("Tomé", "Duarte", "", "", "Monday", user_id=2),
        Listed("Hugo", "Vance", "20313", "", "Monday", user_id=3),
    ]

    def kinds(self, *entries: Entry) -> list[tuple[str, str]]:
        return [
            (c.kind, c.entry.name if c.entry else c.listed.name if c.listed else "")
            for c in compare(entries, self.LISTED)
        ]

    def test_each_row_is_one_of_these(self):
        found = self.kinds(
            Entry("Mira", "Kessler", "20311", "A", "Monday", row=1),
            Entry("Tome", "Duarte", "20312", "", "Monday", row=2),  # now with a number, and without the accent
            Entry("Hugo", "Vance-Reed", "20313", "", "Monday", row=3),
            Entry("Aiko", "Tamura", "20314", "", "Monday", row=4),
            Entry("Kim", "Sol", "", "", "Monday", row=5),
            Entry("Kim", "Sol", "", "", "Monday", row=6),
        )
        self.assertEqual(
            found,
            [
                ("same", "Mira Kessler"),
                ("changed", "Tome Duarte"),
                ("doubtful", "Hugo Vance-Reed"),
                ("added", "Aiko Tamura"),
                ("doubtful", "Kim Sol"),
                ("doubtful", "Kim Sol"),
            ],
        )

    def test_who_is_not_in_the_file_is_told_and_who_moved_is_a_change(self):
        found = self.kinds(Entry("Mira", "Kessler", "20311", "", "Thursday", row=1), Entry("Hugo", "Vance", "", "", "Monday", row=2))  # fmt: skip
        self.assertEqual(found, [("changed", "Mira Kessler"), ("same", "Hugo Vance"), ("missing", "Tomé Duarte")])

    def test_one_number_twice_is_wrong_and_not_guessed_at(self):
        found = self.kinds(Entry("A", "Bee", "9", "", "Monday", row=1), Entry("C", "Dee", "9", "", "Monday", row=2))
        self.assertEqual([kind for kind, _ in found][:2], ["wrong", "wrong"])


class NamesTest(PlainCase):
    def test_log_ins_are_initials_and_names_and_never_twice(self):
        self.assertEqual(log_in_for("Mira", "Kessler", ()), "m.kessler")
        self.assertEqual(log_in_for("Max", "Keßler", {"m.kessler"}), "m.kessler2")
        self.assertEqual(log_in_for("Zoë", "O’Hara-Łuk", ()), "z.oharaluk")
        self.assertEqual(log_in_for("愛子", "田村", {"student"}), "student2")
        self.assertEqual(split_name("Kessler, Mira Ann"), ("Mira Ann", "Kessler"))


class PairingTest(PlainCase):
    @given(st.integers(0, 31), st.sampled_from(["list", "random", "alike", "mixed"]), st.integers(0, 99))
    def test_everybody_is_in_one_pair_and_an_odd_one_makes_a_three(self, count, way, seed):
        rng = Random(seed)
        found = pairing(range(count), way, marks={n: rng.random() for n in range(0, count, 2)}, rng=rng)
        self.assertEqual(sorted(user for pair in found for user in pair), list(range(count)))
        sizes = sorted(len(pair) for pair in found)
        self.assertEqual(sizes, [2] * (count // 2) if count % 2 == 0 else [1] if count == 1 else [2] * (count // 2 - 1) + [3])  # fmt: skip

    @given(st.integers(2, 12), st.sampled_from(["list", "random", "alike", "mixed"]))
    def test_earlier_partners_are_kept_apart(self, half, way):
        count = 2 * half
        before = {frozenset((n, n + 1)) for n in range(0, count, 2)} if half > 1 else set()
        found = pairing(range(count), way, avoid=before, marks={n: n / count for n in range(count)}, rng=Random(7))
        self.assertFalse([pair for pair in found if frozenset(pair) in before])

    def test_marks_put_like_with_like_or_the_strong_with_the_weak(self):
        marks = {n: n / 10 for n in range(8)}
        alike = pairing(range(8), "alike", marks=marks, rng=Random(1))
        mixed = pairing(range(8), "mixed", marks=marks, rng=Random(1))
        self.assertEqual({frozenset(p) for p in alike}, {frozenset(p) for p in ((7, 6), (5, 4), (3, 2), (1, 0))})
        self.assertTrue(all(abs(a - b) == 4 for a, b in mixed))


class ImportTest(DemoCase):
    HEADER = "Surname,First name,Number,Section\n"

    def ask(self, what: str, text: str, **more):
        section = self.session.section_id
        data = base64.b64encode(text.encode()).decode()
        columns = {"first_row": 1, "meanings": {"last": 0, "first": 1, "number": 2, "section": 3}}
        return self.instructor.ask(f"/api/set-up/sections/{section}/class-list/{what}", data=data, **columns, **more)

    def import_(self, text: str, **more):
        seen = self.ask("preview", text).json()
        return self.ask("import", text, seen=seen["digest"], **more).json()

    def test_importing_again_changes_only_what_changed(self):
        text = self.HEADER + "Kessler,Mira,1,Thursday\nDuarte,Tomé,2,Thursday\n"
        self.assertEqual(self.import_(text), {"added": 2, "changed": 0, "taken_off": 0})
        made = Section.objects.get(name="Thursday")
        self.assertEqual(made.staff.get().role, Staff.Role.INSTRUCTOR)
        self.assertEqual(self.import_(text), {"added": 0, "changed": 0, "taken_off": 0})
        moved = text.replace("Kessler,Mira,1,Thursday", f'Kessler,Mira,1,"{self.session.section.name}"')
        self.assertEqual(self.import_(moved)["changed"], 1)
        self.assertEqual(User.objects.filter(username="m.kessler").count(), 1)
        self.assertEqual(
            Student.objects.filter(user__username="m.kessler", until=None).get().section, self.session.section
        )

    def test_who_leaves_the_list_leaves_the_pair_and_keeps_the_past(self):
        text = self.HEADER + "".join(f"{n},A,{n},Thursday\n" for n in ("Bee", "Comb"))
        self.import_(text)
        bee, comb = User.objects.get(last_name="Bee"), User.objects.get(last_name="Comb")
        section = Section.objects.get(name="Thursday")
        self.instructor.ask(f"/api/set-up/sections/{section.pk}/pairs", groups=[[bee.pk, comb.pk]])
        self.import_(self.HEADER + "Comb,A,Comb,Thursday\n", take_off=[bee.pk])
        self.assertFalse(Student.objects.filter(user=bee, until=None).exists())
        self.assertIsNotNone(PairMember.objects.get(user=bee).until)
        self.assertIsNone(PairMember.objects.get(user=comb).until)

    def test_a_list_that_changed_since_the_preview_is_refused_whole(self):
        text = self.HEADER + "Kessler,Mira,1,Thursday\n"
        seen = self.ask("preview", text).json()["digest"]
        self.import_(text)
        answer = self.ask("import", text, seen=seen)
        self.assertEqual(answer.status_code, 409)
        self.assertEqual(Student.objects.filter(user__last_name="Kessler").count(), 1)

    def test_a_doubtful_row_is_done_only_when_it_is_taken(self):
        text = self.HEADER + "Sol,Kim,,Thursday\nSol,Kim,,Thursday\n"
        self.assertEqual(self.import_(text)["added"], 0)
        self.assertEqual(self.import_(text, take=[2, 3])["added"], 2)
        self.assertEqual({u.username for u in User.objects.filter(last_name="Sol")}, {"k.sol", "k.sol2"})

    def test_a_whole_year_is_imported_in_few_steps(self):
        rows = "".join(f"Name{n},Given{n},{1000 + n},Section {n % 10}\n" for n in range(240))
        self.ask("preview", self.HEADER + rows)  # what is cached is
        with self.assertNumQueries(FewerThan(80)):
            self.assertEqual(self.import_(self.HEADER + rows)["added"], 240)
        self.assertEqual(Section.objects.filter(name__startswith="Section ").count(), 10)


class FewerThan(int):
    """Equal to every smaller number: for counting queries with a bound."""

    def __eq__(self, other: object) -> bool:
        return isinstance(other, int) and other < int(self)

    __hash__ = int.__hash__
