"""Who may do what to what: every address of the application, for every role, at what is theirs and what is not."""

import tempfile
from pathlib import Path

from django.db import transaction
from django.test import Client, override_settings

from tests.site.addresses import addresses, reach
from tests.site.base import DemoCase, Speaker
from verifex.exercises.models import ExerciseVersion
from verifex.people.models import Course, Invitation, Section, Staff, User
from verifex.stores.models import Calibration, Fault, FaultPhoto, Kit, StockItem, StockMove, Batch, PartTest
from verifex.work.models import Work


class T(DemoCase):
    def test_infer(self):
        docket = self.docket(1)
        section = self.session.section
        fault = Fault.objects.filter(module__place__isnull=False).earliest("id")
        made = FaultPhoto.objects.create(fault=fault, jpeg=b"")
        calibration = Calibration.objects.earliest("id")
        ids = {
            "docket_id": docket.pk, "session_id": self.session.pk, "section_id": section.pk, "course_id": section.course_id,
            "pair_id": docket.pair_id, "user_id": docket.pair.members.earliest("id").user_id, "room_id": self.session.room_id,
            "version_id": ExerciseVersion.objects.earliest("id").pk, "exercise_id": docket.version.exercise_id,
            "kit_id": Kit.objects.earliest("id").pk, "work_id": 1, "test_id": 1, "module_id": calibration.module_id, "calibration_id": calibration.pk, "fault_id": fault.pk, "photo_id": made.pk,
            "item_id": StockItem.objects.earliest("id").pk, "batch_id": 1, "move_id": 1, "invitation_id": 1,
        }
        course = section.course
        other = Course.objects.create(title="Another course")
        def client(name): 
            c=Speaker(); c.force_login(User.objects.get(username=name)); return c
        actors={}
        for where,sec in (("other section",Section.objects.create(course=course,name="B")),("other course",Section.objects.create(course=other,name="C"))):
            for role in ("assistant","instructor"):
                u=User.objects.create(username=f"{role}-{sec.name}")
                Staff.objects.create(section=sec,user=u,role=role)
                actors[f"{role} {where}"]=client(u.username)
        all_ = User.objects.create(username="all")
        for s in course.sections.all(): Staff.objects.create(section=s,user=all_,role="instructor")
        actors={"nobody":Client(),"pair own":self.member(1),"pair other":self.member(2),**actors,"assistant":self.assistant,"instructor":self.instructor,"all":client("all")}
        Work.objects.create(pk=1, kind="class-sheets", by=all_)
        out={}
        with tempfile.TemporaryDirectory() as f, override_settings(BACKUP_DIR=Path(f)):
            for m,p in addresses():
                row=[]
                for n,c in actors.items():
                    with transaction.atomic():
                        st=reach(c,m,p,ids)
                        transaction.set_rollback(True)
                    row.append(st)
                out[m,p]=row
        print(list(actors))
        with open("/tmp/inferred.txt","w") as g:
            for k,v in out.items(): print(*k,*v,file=g)
