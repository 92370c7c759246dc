"""Every jar keeps the whole method that it was planned with: until now those of the catalogue kept its name alone."""

import json
from pathlib import Path
from typing import Any

from django.db import migrations

# As the catalogue stood on the day of this change, so that the change means the same whenever it is made.
CATALOGUE = Path(__file__).with_name("catalogue_of_0008.json")


def keep(apps: Any, _editor: Any) -> None:
    jars = apps.get_model("kitchen", "Jar").objects
    for family, method in json.loads(CATALOGUE.read_text(encoding="utf-8")).items():
        jars.filter(family=family, method__isnull=True).update(method=method)


class Migration(migrations.Migration):
    dependencies = [("kitchen", "0007_flare")]
    operations = [migrations.RunPython(keep, migrations.RunPython.noop)]
