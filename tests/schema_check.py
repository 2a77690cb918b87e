"""Validates every sample project, and what `bristle new` writes, against data/schema."""
import json
import pathlib
import subprocess
import sys
import tempfile

from jsonschema import Draft202012Validator

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
    for how, index in [(["--sheets", folder + "/s", "--trim"], "s/sheets.json"), (["--pictures", folder + "/p"], "p/index.json")]:
        subprocess.run([bristle, "deliver", str(demo), *how], check=True, stdout=subprocess.DEVNULL)
        for error in Draft202012Validator(sheets).iter_errors(json.loads((pathlib.Path(folder) / index).read_text())):
            failed = True
            print(f"{index}: /{'/'.join(map(str, error.absolute_path))}: {error.message}")

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
