"""The modules of the front end that need no page, run by Node: compiled once, then asked expression by expression."""

import json
import subprocess
from functools import cache
from pathlib import Path
from typing import Any

WEB = Path(__file__).parents[2] / "web"

# Each line asked is a module, an expression of it (`m`) and of the values beside it; `fresh` imports the module anew, over what the
# browser's storage holds then.
RUNNER = """
import { createInterface } from 'node:readline';
const kept = new Map();
globalThis.localStorage = {
  getItem: (key) => kept.get(key) ?? null,
  setItem: (key, text) => void kept.set(key, String(text)),
  removeItem: (key) => void kept.delete(key),
};
globalThis.document = { documentElement: { dataset: {} } };
let version = 0;
for await (const line of createInterface({ input: process.stdin })) {
  const { module, expression, values, storage } = JSON.parse(line);
  let answer;
  try {
    if (storage) {
      kept.clear();
      for (const [key, text] of Object.entries(storage)) kept.set(key, text);
      version += 1;
    }
    const m = await import(new URL(`${module}.js?${version}`, process.argv[2]));
    const result = new Function('m', 'kept', ...Object.keys(values), `return (${expression})`)(m, kept, ...Object.values(values));
    answer = { result: result === undefined ? null : result };
  } catch (error) {
    answer = { error: String(error.stack ?? error) };
  }
  process.stdout.write(JSON.stringify(answer) + '\\n');
}
"""


@cache
def _node(folder: Path) -> subprocess.Popen[str]:
    vite = WEB / "node_modules" / "vite" / "bin" / "vite.js"
    command = ["node", str(vite), "build", "-c", "vite.units.ts", "--outDir", str(folder), "--logLevel", "warn"]
    subprocess.run(command, cwd=WEB, check=True, capture_output=True, text=True)
    runner = folder / "runner.mjs"
    runner.write_text(RUNNER, encoding="utf-8")
    (folder / "package.json").write_text('{"type": "module"}', encoding="utf-8")
    return subprocess.Popen(
        ["node", str(runner), folder.as_uri() + "/"], stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True, encoding="utf-8"
    )


def evaluate(folder: Path, module: str, expression: str, storage: dict[str, str] | None = None, **values: Any) -> Any:
    """Evaluate an expression of a module, compiled into a folder; ``storage`` is what the browser holds when the module is imported."""
    node = _node(folder)
    assert node.stdin is not None
    assert node.stdout is not None
    node.stdin.write(json.dumps({"module": module, "expression": expression, "values": values, "storage": storage}) + "\n")
    node.stdin.flush()
    answer = json.loads(node.stdout.readline())
    assert "error" not in answer, answer["error"]
    return answer["result"]
