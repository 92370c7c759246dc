"""The API's contract: what every operation may answer beside its own answers, said once."""

from __future__ import annotations

from typing import Any

from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

PROBLEMS = {"application/json": {"schema": {"$ref": "#/components/schemas/ProblemsOut"}}}
WRITES = frozenset({"post", "put", "patch", "delete"})
ANY = {500: "A fault of ours", 503: "The database is out of reach, or all hands are full"}
WITH_BODY = {400: "The body is no JSON", 413: "The body is too large", 422: "Something in it is not accepted"}
WRITING = {403: "The write does not come from this page"}
OF_ANOTHER = {409: "The write names another account than the one signed in"}
SIGNED_IN = {401: "Nobody is signed in"}
WITH_PLACE = {422: "Something in the address is not accepted"}


class DocumentedAPI(NinjaAPI):
    """Says of every operation in which shape it refuses."""

    def get_openapi_schema(self, *args: Any, **kwargs: Any) -> OpenAPISchema:
        schema = super().get_openapi_schema(*args, **kwargs)
        for path in schema["paths"].values():
            for method, operation in path.items():
                for status, says in _may_answer(method, operation).items():
                    if status not in operation["responses"]:
                        operation["responses"][status] = {"description": says, "content": PROBLEMS}
        return schema


def _may_answer(method: str, operation: dict[str, Any]) -> dict[int, str]:
    return {
        **ANY,
        **(WITH_BODY if "requestBody" in operation else {}),
        **(WRITING if method in WRITES else {}),
        **(OF_ANOTHER if method in WRITES and operation.get("security") else {}),
        **(SIGNED_IN if operation.get("security") else {}),
        **(WITH_PLACE if operation.get("parameters") else {}),
    }
