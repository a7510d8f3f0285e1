"""Every pointer in the code leads somewhere: to a page of this repository and a heading on it, or to a module, function or constant."""

import re
from pathlib import Path

ROOT = Path(__file__).parents[2]
READ = ("src", "tests", "bench", "scripts", "web/src", "docs")
ENDINGS = {".py", ".ts", ".tsx", ".sql", ".toml", ".css", ".lark", ".jinja", ".md"}
PAGE = re.compile(r"(?<![\w/-])((?:docs/)?[\w/-]+\.md)\b")
HEADING = re.compile(r'(docs/[\w/-]+\.md), "([^"]+)"(?: and "([^"]+)")?')
LINK = re.compile(r"\]\(([\w/-]*\.md)?(?:#([\w-]+))?\)")


def texts() -> list[tuple[Path, str]]:
    """Each file of the code and the docs, its lines joined where a pointer runs on to the next one."""
    files = [path for folder in READ for path in (ROOT / folder).rglob("*") if path.suffix in ENDINGS and not _is_built(path)]
    assert len(files) > 500
    return [(path, re.sub(r"\s*\n\s*(?:#|--|\*|//)?\s*", " ", path.read_text(encoding="utf-8"))) for path in files]


def _is_built(path: Path) -> bool:
    return bool({"static", "node_modules", "golden"} & set(path.parts)) or path == Path(__file__)


def headings(page: Path) -> list[str]:
    return re.findall(r"^#+ (.+)$", page.read_text(encoding="utf-8"), re.MULTILINE)


def anchors(page: Path) -> set[str]:
    return {re.sub(r"[^\w\- ]", "", each.lower()).replace(" ", "-") for each in headings(page)}


def test_no_pointer_names_a_section_by_number_or_a_page_that_is_not_here():
    wrong = []
    for path, text in texts():
        wrong += [f"{path.relative_to(ROOT)}: {found}" for found in re.findall(r"§ ?\d+\w*", text)]
        for page in PAGE.findall(text):
            near = (ROOT / page, path.parent / page, ROOT / "docs" / page)
            # Pages that the app writes, such as a menu in Markdown, are no pointers.
            if not any(each.exists() for each in near) and (page.startswith("docs/") or page in ("model.md", "domain.md", "formats.md")):
                wrong.append(f"{path.relative_to(ROOT)}: {page}")
    assert wrong == []


def test_every_heading_that_is_pointed_to_is_on_its_page():
    pointed = [(path, page, title) for path, text in texts() for page, *titles in HEADING.findall(text) for title in titles if title]
    assert len(pointed) > 20
    assert [str(each) for each in pointed if each[2] not in headings(ROOT / each[1])] == []


def test_every_link_of_the_docs_leads_to_a_page_and_its_anchor():
    wrong = []
    for path in [ROOT / "README.md", ROOT / "CONTRIBUTING.md", *(ROOT / "docs").rglob("*.md")]:
        for page, anchor in LINK.findall(path.read_text(encoding="utf-8")):
            target = (path.parent / page) if page else path
            if not target.exists() or (anchor and anchor not in anchors(target)):
                wrong.append(f"{path.relative_to(ROOT)}: {page}#{anchor}")
    assert wrong == []
