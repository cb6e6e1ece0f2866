"""A session for those who staff it, in one look."""

from django.db.models import OuterRef, Subquery

from verifex.acts.refusals import NotAllowed
from verifex.people.models import Staff, User
from verifex.plan.models import Session


def session_for_staff(user: User, session_id: int) -> Session:
    """The session with its section, course and room. Raises DoesNotExist, or NotAllowed for who is no staff of it."""
    role = Staff.objects.filter(section=OuterRef("section"), user=user).values("role")[:1]
    sessions = Session.objects.select_related("section__course", "room").annotate(readers_role=Subquery(role))
    session = sessions.get(pk=session_id)
    if session.readers_role is None:
        raise NotAllowed("Only the staff of this section may do that.")
    return session
