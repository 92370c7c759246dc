import { describe, expect, it } from "vitest";
import type { Doing, FeedPlan, NextMove, Problem } from "../../api/types";
import { changeLine } from "./changes";
import { lookLine } from "./looks";
import { nextMove, shortMove } from "./moves";
import { fieldWords, problemAt, problemWords } from "./problems";
import { taskLine } from "./tasks";
import { mendWords, ratioWords, roundWords } from "./weighing";

const NOW = "2026-03-04T12:00:00Z";
const ZONE = "UTC";
const PLAN: FeedPlan = {
  keep_g: 30,
  flours: [
    { flour: "spelt", g: 20 },
    { flour: "rye", g: 10 },
  ],
  water_g: 30,
  salt_g: 0,
  total_g: 90,
  ratio: "1:1:1",
  fresh_hydration_percent: 100,
  juice_g: 0,
  mix_ahead: [],
  hold_back_g: 0,
  measured: [],
};
const DOING: Doing = {
  do: "stir",
  g: null,
  out_g: null,
  flour: null,
  measured: null,
  until_thickness: null,
  spoons: [],
};
const FEED: NextMove = {
  move: "feed",
  state: "due",
  due: "2026-03-04T12:05:00Z",
  earliest: "2026-03-04T08:00:00Z",
  latest: "2026-03-04T18:00:00Z",
  plan: PLAN,
  fits: true,
  waits_for: [],
  do: [],
  scale_walk: [
    {
      do: "take_out",
      flour: null,
      add_g: -60,
      scale_shows_g: 230,
      brings_g: 30,
      corrects: "seed",
      in_spoons: [],
      from_zero: false,
      spoon_g: null,
    },
  ],
  is_now: true,
};

/** Numbers hold on to their units by a space that does not break; a test reads better without. */
const plain = (text: string) => text.replaceAll("\u00a0", " ");

const say = (part: Partial<NextMove>) => {
  const { what, how } = nextMove({ name: "Moth", move: { ...FEED, ...part }, now: NOW, zone: ZONE });
  return { what, how: plain(how) };
};

describe("the next move", () => {
  it("is one sentence with this jar's grams", () => {
    expect(say({})).toEqual({
      what: "Feed Moth now.",
      how: "Keep 30 g (the scale then shows 230 g, jar and all), add 30 g water, 20 g spelt and 10 g whole rye.",
    });
  });

  it.each<[Partial<NextMove>, string]>([
    [{ state: "not_yet", is_now: false, due: "2026-03-05T08:00:00Z" }, "Leave Moth be. Feed tomorrow 08:00."],
    [{ is_now: false, due: "2026-03-04T16:00:00Z" }, "Feed Moth today, at about 16:00."],
    [{ state: "late", due: "2026-03-04T07:00:00Z" }, "Feed Moth now. It is 5 h late, which is no harm."],
    [{ move: "mix", is_now: false, due: "2026-03-05T08:00:00Z" }, "Mix Moth tomorrow 08:00."],
    [{ move: "bin", plan: null }, "Bin all of Moth."],
    [
      {
        state: "waiting",
        waits_for: [
          { sight: "runny", times: null },
          { sight: "below_high_mark", times: null },
        ],
      },
      "Wait with Moth. Feed once it runs when tipped or it has sunk below its high mark.",
    ],
    [{ move: "stir" }, "Stir Moth now."],
    [
      { move: "to_fridge", state: "waiting", waits_for: [{ sight: "risen_and_fallen", times: 1.5 }] },
      "Put Moth in the fridge once it has risen and begins to fall.",
    ],
    [
      { move: "to_counter", state: "not_yet", due: "2026-03-05T08:00:00Z" },
      "Take Moth out of the fridge tomorrow 08:00.",
    ],
    [{ move: "nothing", plan: null, state: null }, "Moth asks for nothing."],
  ])("%j", (part, what) => {
    expect(say(part).what).toBe(what);
  });

  it("keeps all, or puts a culture in, where the method does", () => {
    expect(say({ do: [{ ...DOING, do: "keep_all" }] }).how).toMatch(/^Keep all of it, add 30 g water/);
    const soak = { ...PLAN, keep_g: 3, flours: [], water_g: 40 };
    expect(say({ move: "mix", plan: soak, do: [{ ...DOING, do: "put_in" }] }).how).toBe(
      "In the clean jar: 3 g of the culture, 40 g water. Loose lid, never sealed.",
    );
  });

  it("says when, not now, of a feed that can wait", () => {
    expect(say({ state: "not_yet" }).how).toMatch(/^Then keep 30 g/);
  });

  it("fits on a label", () => {
    expect(shortMove(FEED, NOW, ZONE)).toBe("feed now");
    expect(shortMove({ ...FEED, state: "late" }, NOW, ZONE)).toBe("feed now, late");
    expect(shortMove({ ...FEED, state: "not_yet", due: "2026-03-05T08:00:00Z" }, NOW, ZONE)).toBe(
      "feed tomorrow 08:00",
    );
  });
});

describe("the tasks of a step", () => {
  it("say amounts as the method does, grams beside", () => {
    const spoon = { what: "flour", value: 0.5, unit: "cup" } as const;
    const line = taskLine([
      { ...DOING, do: "keep", g: 30 },
      { ...DOING, do: "add_flour", g: 64, flour: "rye", measured: spoon },
      { ...DOING, do: "stir" },
    ]);
    expect(plain(line)).toBe("Keep 30 g, add ½ cup (64 g) whole rye, stir");
  });

  it("say what moved the plan", () => {
    const change = { code: "late", at: NOW, entry_id: null, facts: { hours: 5 } } as const;
    expect(changeLine(change, NOW, ZONE)).toBe("today 12:00: Fed 5 h late. The next ones catch it up.");
    const flour = { ...change, code: "other_flour", facts: { flours: "rye, spelt", g: 12 } } as const;
    expect(plain(changeLine(flour, NOW, ZONE))).toBe(
      "today 12:00: Another flour went in: 12 g whole rye, spelt.",
    );
  });
});

describe("problems", () => {
  const problem = (part: Partial<Problem>): Problem => ({
    code: "missing",
    field: "",
    message: "",
    facts: {},
    ...part,
  });

  it("say what would be accepted", () => {
    expect(problemWords(problem({ code: "keeps_more_than_there_is", facts: { there_is_g: 60 } }))).toBe(
      "There are only 60\u00a0g in the jar. Keep that or less.",
    );
    expect(problemWords(problem({ code: "too_long", facts: { most: 2000 } }))).toBe(
      "This is too long. Use up to 2000 characters.",
    );
    const two = { as_flour_and_water: "1:1:2", as_seed_and_flour: "1:2:2" };
    expect(problemWords(problem({ code: "ratio_two_parts", facts: two }))).toContain("Which two are meant?");
  });

  it("stand beside their field", () => {
    const problems = [problem({ field: "level.value" })];
    expect(problemAt(problems, "level", "level.value")).toBe("This is needed.");
    expect(problemAt(problems, "note")).toBeNull();
    expect([fieldWords("keep_g"), fieldWords("flours.rye"), fieldWords("odd_one")]).toEqual([
      "Kept",
      "Flour",
      "odd one",
    ]);
  });
});

describe("a look in one line", () => {
  it("says what was seen, in its own unit and as times the line", () => {
    const look = {
      kind: "look",
      at: NOW,
      level: { value: 62, unit: "mm" },
      bubbles: "none",
      top: ["domed"],
      smell: ["fruity"],
      thickness: "thick_batter",
      note: "",
    } as const;
    expect(plain(lookLine({ ...look, top: [...look.top], smell: [...look.smell] }, 2.1))).toBe(
      "2.1 × (62 mm) · no bubbles · domed · smells of apple, fruit · thick batter",
    );
  });
});

describe("a ratio", () => {
  it("is said as what it is where it has no seed or no flour", () => {
    expect(["1:2:2", "0:1:1", "1:0:13.33"].map(ratioWords)).toEqual(["1:2:2", "first mix", "soaked"]);
    expect(["1:2:2", "0:1:1", "1:0:13.33"].map(roundWords)).toEqual(["Feed 1:2:2", "First mix", "Soaked"]);
  });
});

describe("a mend", () => {
  const mend = {
    worth_it: true,
    add_flour_g: 270,
    add_water_g: 0,
    extra_g: 540,
    total_g: 630,
    ratio_as_is: "1:1:10",
    ratio_mended: "1:10:10",
  };
  it("never asks for more than the jar holds", () => {
    expect(mendWords(mend, false)).toContain("270");
    expect(mendWords(mend, false, { backTo: 294 })).toMatch(
      /overfill.*Pour water off again until the scale shows 294\sg/,
    );
    expect(mendWords(mend, true, { backTo: null })).toMatch(/overfill.*not stirred in yet;.*bowl/);
  });
});
