/** Every sentence stands in words: a text that a person reads, and that stands anywhere else, fails here. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";

const SRC = join(import.meta.dirname, "..");
const PLACES = ["features", "parts", "app", "ui", "drawing", "api", "lib"];
/** What is read aloud or shown of an attribute or a property of these names. */
const READ = new Set(["label", "title", "hint", "aria-label", "what", "yes", "no", "alt", "placeholder"]);

function filesIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes(".test."))
    .map((name) => join(folder, name));
}

const isText = (text: string) => /\p{L}{2,}/u.test(text);

const JOINS = new Set([
  ts.SyntaxKind.QuestionQuestionToken,
  ts.SyntaxKind.BarBarToken,
  ts.SyntaxKind.AmpersandAmpersandToken,
]);

/** What a text is one of several answers to: `a ? "x" : "y"`, `a ?? "y"`. */
function answerOf(node: ts.Node): ts.Node {
  const { parent } = node;
  const isOne = ts.isConditionalExpression(parent)
    ? parent.condition !== node
    : ts.isBinaryExpression(parent) && JOINS.has(parent.operatorToken.kind);
  return isOne || ts.isParenthesizedExpression(parent) ? answerOf(parent) : node;
}

function isRead(text: ts.StringLiteralLike | ts.TemplateExpression): boolean {
  const node = answerOf(text);
  const owner = node.parent;
  const outer = ts.isJsxExpression(owner) ? owner.parent : owner;
  if (ts.isJsxAttribute(outer)) {
    const name = outer.name.getText();
    // The name of a part of ours is read, that of a field in a form is not.
    const part = outer.parent.parent as ts.JsxOpeningLikeElement;
    return READ.has(name) || (name === "name" && /^\p{Lu}/u.test(part.tagName.getText()));
  }
  // A part of a sentence is a word too.
  if (ts.isCallExpression(owner) && owner.expression !== node)
    return /Text\.\w+$/.test(owner.expression.getText());
  return ts.isPropertyAssignment(owner) && owner.initializer === node && READ.has(owner.name.getText());
}

/** The texts of a source file that a person would read. */
function textsOf(name: string, source: string): string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node) && isText(node.text)) found.push(node.text.trim());
    if (ts.isStringLiteralLike(node) && isText(node.text) && isRead(node)) found.push(node.text);
    if (ts.isTemplateExpression(node) && isRead(node) && isText(node.getText().replace(/\$\{[^}]*\}/g, "")))
      found.push(node.getText());
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(name, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
  return found;
}

describe("sentences", () => {
  it("are found where they are", () => {
    const day = ["`Day $", "{n}`"].join("");
    const strays = `<p title="A title" className="grid">Some text {a}</p>; const x = { label: ${day} };
      <F name="Day" value={a ? "b" : "c"} />; <F name={a ? "fed" : "mixed"} />; <input name="day" />; feedText.isIt(name, first ? "sour" : "sweet");`;
    expect(textsOf("x.tsx", strays)).toEqual([
      "A title",
      "Some text",
      day,
      "Day",
      "fed",
      "mixed",
      "sour",
      "sweet",
    ]);
  });

  it.each(PLACES)("stand in words, none in %s", (place) => {
    const strays = filesIn(join(SRC, place)).flatMap((file) =>
      textsOf(file, readFileSync(file, "utf8")).map((text) => `${file.slice(SRC.length + 1)}: ${text}`),
    );
    expect(strays).toEqual([]);
  });
});
