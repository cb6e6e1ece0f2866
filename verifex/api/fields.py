"""Fields of what people send: bounded, so that nothing larger reaches the database."""

from typing import Annotated

from pydantic import Field

Short = Annotated[str, Field(max_length=200)]


Reason = Annotated[str, Field(max_length=2000)]


Counter = Annotated[int, Field(ge=0, le=2**31)]
