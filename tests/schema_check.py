"""Validates every sample project, and what `bristle new` writes, against data/schema."""
import json
import pathlib
import subprocess
import sys
import tempfile

from jsonschema import Draft202012Validator, RefResolver

source, bristle = pathlib.Path(sys.argv[1]), sys.argv[2]
schema = json.loads((source / "data/schema/project.schema.json").read_text())
Draft202012Validator.check_schema(schema)
validator = Draft202012Validator(schema)
failed = False


def errors_of(data):
    return sorted(validator.iter_errors(data), key=lambda e: list(e.absolute_path))


with tempfile.TemporaryDirectory() as folder:
    fresh = pathlib.Path(folder) / "fresh.bristle"
    subprocess.run([bristle, "new", str(fresh), "--buttons", "One", "Two"], check=True, stdout=subprocess.DEVNULL)
    samples = sorted(source.glob("data/**/*.bristle")) + [fresh]
    for sample in samples:
        for error in errors_of(json.loads(sample.read_text())):
            failed = True
            print(f"{sample}: /{'/'.join(map(str, error.absolute_path))}: {error.message}")
    print(f"{len(samples)} samples valid" if not failed else "invalid samples")

# What is delivered says what its schema says.
sheets = json.loads((source / "data/schema/sheets.schema.json").read_text())
Draft202012Validator.check_schema(sheets)
with tempfile.TemporaryDirectory() as folder:
    demo = source / "data/demo/saltglass-deep.bristle"
    for how, index in [
        (["--sheets", folder + "/s", "--trim", "--placed"], "s/sheets.json"),
        (["--pictures", folder + "/p", "--frames", "12", "--no-captions"], "p/index.json"),
    ]:
        subprocess.run([bristle, "deliver", str(demo), *how], check=True, stdout=subprocess.DEVNULL)
        for error in Draft202012Validator(sheets).iter_errors(json.loads((pathlib.Path(folder) / index).read_text())):
            failed = True
            print(f"{index}: /{'/'.join(map(str, error.absolute_path))}: {error.message}")

# Menus as data: both demos, whole.
menu = json.loads((source / "data/schema/menu.schema.json").read_text())
Draft202012Validator.check_schema(menu)
resolver = RefResolver("menu.schema.json", menu, store={"project.schema.json": schema})
with tempfile.TemporaryDirectory() as folder:
    for demo in ["demo/saltglass-deep", "glasshouse/fernhollow-glasshouse"]:
        to = folder + "/" + demo.split("/")[0]
        subprocess.run([bristle, "deliver", str(source / "data" / (demo + ".bristle")), "--data", to], check=True, stdout=subprocess.DEVNULL)
        data = json.loads((pathlib.Path(to) / "menu.json").read_text())
        for error in list(Draft202012Validator(menu, resolver=resolver).iter_errors(data))[:10]:
            failed = True
            print(f"{demo}, menu.json: /{'/'.join(map(str, error.absolute_path))}: {error.message[:300]}")
    data["screens"][0]["layouts"][0]["places"][0]["box"]["w"] = "wide"
    if not list(Draft202012Validator(menu, resolver=resolver).iter_errors(data)):
        failed = True
        print("the schema of menus takes a width that is no number")

# The schema must refuse, too: one value of a wrong sort in each place.
sample = json.loads((source / "data/demo/saltglass-deep.bristle").read_text())
for path, wrong in [
    (["displays", 0, "width"], "wide"),
    (["kinds", 0, "parts", 0, "type"], "sprite"),
    (["machines", 0, "transitions", 0, "on"], "click"),
    (["screens", 0, "items", 2, "gap"], "16"),
    (["screens", 0, "items", 2, "items", 0, "actions", 0, "do"], "explode"),
    (["screens", 0, "items", 2, "items", 0, "caption"], {"in": {}}),
    (["languages", 0, "rightToLeft"], "yes"),
]:
    broken = json.loads(json.dumps(sample))
    at = broken
    for key in path[:-1]:
        at = at[key]
    at[path[-1]] = wrong
    if not errors_of(broken):
        failed = True
        print(f"the schema takes {wrong!r} at {path}")
sys.exit(1 if failed else 0)
