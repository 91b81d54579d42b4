"""The house itself: what a newcomer and a machine may rely on."""

import ast
import importlib
import importlib.util
import re
import subprocess
import sys
import tomllib
from pathlib import Path

import pytest
from PyQt6.QtGui import QImage

from honest_lift.checks.unbegun import every_check
from honest_lift.desk.manual_window import _ORDER

ROOT = Path(__file__).parents[2]
SOURCE = ROOT / "src" / "honest_lift"
PURE = (
    "numbers",
    "mechanics",
    "shelf",
    "facts",
    "estimates",
    "checks",
    "plans",
    "gauges",
    "drawings",
    "sheets",
    "demo",
)


def tool(name):
    spec = importlib.util.spec_from_file_location(name, ROOT / "tools" / f"{name}.py")
    module = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(module)
    return module


def test_everything_but_the_desk_runs_without_qt():
    names = [
        ".".join(path.relative_to(ROOT / "src").with_suffix("").parts)
        for room in PURE
        for path in sorted((SOURCE / room).rglob("*.py"))
    ]
    lines = [
        "import sys",
        "sys.modules['PyQt6'] = None",
        *(f"import {name.removesuffix('.__init__')}" for name in names),
        "from honest_lift.cli import main",
        "sys.exit(main(['check', 'demo']))",
    ]
    done = subprocess.run([sys.executable, "-c", "\n".join(lines)], capture_output=True, text=True, timeout=60)
    assert done.returncode == 1, done.stderr


def test_the_first_window_waits_for_no_array_library():
    code = "import sys, honest_lift.desk.app, honest_lift.demo.engine; print('numpy' in sys.modules, 'scipy' in sys.modules)"
    done = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, timeout=60, check=True)
    assert done.stdout.split() == ["False", "False"]


@pytest.mark.parametrize(
    "page",
    [
        "glossary.md",
        "liftbook.schema.json",
        "findings.schema.json",
        "nomenclature.md",
        "findings.md",
        "shelf-format.md",
        "honest-lift.1",
    ],
)
def test_pages_drawn_from_the_program_are_up_to_date(page):
    writer = tool("write_docs")
    assert (ROOT / "docs" / page).read_text(encoding="utf-8") == writer.PAGES[page](), "run tools/write_docs.py"


def test_the_manual_is_drawn_from_the_program_as_it_is(qapp):
    """Every check has its place in it, with its rules; every drawing is there; nothing of an older program is left."""
    told = dict(tool("write_manual").pages())
    folder = SOURCE / "manual"
    stale = [name for name, text in told.items() if (folder / name).read_text(encoding="utf-8") != text]
    assert stale == [], "run tools/write_manual.py"
    assert {one.name for one in folder.iterdir() if one.suffix in (".md", ".svg")} == set(told)
    whole = "".join(text for name, text in told.items() if name.endswith(".md"))
    for check in every_check().values():
        assert f"### {check.title}\n" in whole, check.name
    assert set(_ORDER) == {name.removesuffix(".md") for name in told if name.endswith(".md")}


def test_icons_are_drawn_from_their_drawing(qapp):
    icons = tool("draw_icons")
    for svg in icons.ICONS.glob("*.svg"):
        for size in icons.SIZES:
            kept, drawn = QImage(str(icons.ICONS / f"{svg.stem}-{size}.png")), QImage.fromData(icons.drawn(svg, size))
            assert kept.size() == drawn.size()
            off = sum(
                kept.pixelColor(x, y) != drawn.pixelColor(x, y) for x in range(0, size, 3) for y in range(0, size, 3)
            )
            assert off < size * size / 90, "run tools/draw_icons.py"


def test_the_walk_through_the_house_names_files_that_exist():
    text = (ROOT / "docs" / "house.md").read_text(encoding="utf-8")
    named = set(
        re.findall(r"`((?:numbers|mechanics|facts|estimates|checks|drawings|sheets|demo|desk)/[a-z_/]+\.py)`", text)
    )
    assert len(named) > 15
    assert [one for one in sorted(named) if not (SOURCE / one).exists()] == []


def test_every_link_in_the_pages_leads_somewhere():
    pages = [*ROOT.glob("*.md"), *(ROOT / "docs").rglob("*.md")]
    broken = [
        (page.name, target)
        for page in pages
        for target in re.findall(r"\]\(([^)#:]+)\)", page.read_text(encoding="utf-8"))
        if not (page.parent / target).exists()
    ]
    assert broken == []


def test_pictures_are_few_and_linked():
    pictures = sorted((ROOT / "docs" / "screenshots").glob("*.png"))
    readme = (ROOT / "README.md").read_text(encoding="utf-8")
    assert 0 < len(pictures) < 20
    assert [one.name for one in pictures if one.name not in readme] == []


def test_public_functions_say_what_they_do():
    """Every public function of the pure rooms has a docstring; of mechanics one that says shapes or units, and a source."""
    bare = []
    for room in PURE:
        for path in (SOURCE / room).rglob("*.py"):
            tree = ast.parse(path.read_text(encoding="utf-8"))
            inner = {id(n) for f in ast.walk(tree) if isinstance(f, ast.FunctionDef) for n in ast.walk(f) if n is not f}
            for node in ast.walk(tree):
                if (
                    id(node) not in inner
                    and isinstance(node, ast.FunctionDef)
                    and not node.name.startswith("_")
                    and not ast.get_docstring(node)
                ):
                    bare.append(f"{path.name}:{node.name}")
    assert bare == []
    for path in (SOURCE / "mechanics").rglob("*.py"):
        if path.name != "__init__.py":
            text = path.read_text(encoding="utf-8")
            assert "ource" in text, f"{path.name} names no source"


def test_files_are_no_longer_than_one_thought():
    long = {path.name: count for path in SOURCE.rglob("*.py") if (count := len(path.read_text().splitlines())) > 900}
    assert long == {}


def test_everything_the_program_imports_is_what_it_installs():
    """The tests' own environment holds more than a person's does, so that a missing dependency would not be felt here."""
    project = tomllib.loads((ROOT / "pyproject.toml").read_text(encoding="utf-8"))["project"]
    installed = {re.split("[<>=]", one)[0].lower() for one in project["dependencies"]}
    imported = {
        name.split(".")[0].lower()
        for path in SOURCE.rglob("*.py")
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8")))
        for name in (
            [node.module or ""] if isinstance(node, ast.ImportFrom) and not node.level
            else [one.name for one in node.names] if isinstance(node, ast.Import) else []
        )
    }  # fmt: skip
    named = {"serial": "pyserial"}
    needed = {named.get(one, one) for one in imported - set(sys.stdlib_module_names) - {"honest_lift"}}
    assert needed == installed


def test_the_licence_and_the_fonts_licence_are_shipped():
    assert "GNU GENERAL PUBLIC LICENSE" in (ROOT / "LICENSE").read_text(encoding="utf-8")
    assert "SIL OPEN FONT LICENSE" in (SOURCE / "desk" / "fonts" / "OFL.txt").read_text(encoding="utf-8")


def _all_checks():
    """Every check that any module of the checks room declares."""
    from honest_lift.checks.finding import Check

    for path in sorted((SOURCE / "checks").rglob("[!_]*.py")):
        module = importlib.import_module(".".join(path.relative_to(SOURCE.parent).with_suffix("").parts))
        yield from (one for one in vars(module).values() if isinstance(one, Check))


def test_every_quantity_and_check_has_its_own_name_once():
    from honest_lift.checks.catalog import CHECKS
    from honest_lift.checks.examine import examine
    from honest_lift.demo.engine import demo_book
    from honest_lift.facts.limits import RULES

    checks = {one.name: one for one in _all_checks()}
    judged = {name: check for name, check in checks.items() if check.dimension != "observed"}
    assert judged == CHECKS
    assert {rule.limit.check for rule in RULES} <= set(judged)
    assert {one.check.name for one in examine(demo_book()).findings} <= set(checks)
    assert len({check.title for check in checks.values()}) == len(checks)


def test_facts_reach_the_disk_by_one_door():
    """A disk that fails, in place of `disk.os`, then stands under everything (docs/decisions/0028)."""
    door = re.compile(
        r"(?<![\w.])open\(|\.open\(|\b(?:read|write)_(?:bytes|text)\(|\.(?:mkdir|unlink|rename|touch|symlink_to|stat|exists|glob)\("
        r"|os\.(?:open|write|fsync|replace|rename|unlink|remove|link|mkdir|stat|listdir)\b|\bflock\b"
    )
    rooms = [one for one in (SOURCE / "facts").rglob("*.py") if one.name != "disk.py"]
    found = [
        f"{path.name}: {line.strip()}" for path in rooms for line in path.read_text().splitlines() if door.search(line)
    ]
    assert found == []
