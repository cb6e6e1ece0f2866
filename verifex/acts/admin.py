from verifex.acts.models import Event
from verifex.acts.read_only_admin import show_only

show_only(Event)
