"""The hours of what was read until now, once; from then on each is put down when it is over."""

from collections import defaultdict
from statistics import mean, median
from typing import Any

from django.db import migrations

# As the rule stood on the day of this change: a reading so far from the others around it is a wild one, °C.
WILD_C = 6.0


def fill(apps: Any, _editor: Any) -> None:
    hours = apps.get_model("places", "Hour").objects
    for station in apps.get_model("places", "Thermometer").objects.all():
        by_hour = defaultdict(list)
        for at, celsius in station.readings.order_by("at").values_list("at", "celsius"):
            by_hour[at.replace(minute=0, second=0, microsecond=0)].append(celsius)
        # The last one may still be running; it is put down when it is over.
        for hour, read in sorted(by_hour.items())[:-1]:
            middle = median(read)
            sound = [celsius for celsius in read if abs(celsius - middle) <= WILD_C]
            hours.update_or_create(thermometer=station, at=hour, defaults={"celsius": round(mean(sound), 2)})


class Migration(migrations.Migration):
    dependencies = [("places", "0002_hours")]
    operations = [migrations.RunPython(fill, migrations.RunPython.noop)]
