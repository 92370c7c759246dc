/** Portuguese sentences whose grammar hangs on their parts: gender, number, the order of words, decimal commas. */
import { beforeAll, describe, expect, it, vi } from "vitest";
import type { Forecast, NextMove, Readiness } from "../../api/types";
import { METRIC, tellIn } from "../../lib/forms";
import { changeLine } from "./changes";
import { blendWords, flourList } from "./flours";
import { basisWords, readyWords, spanWords } from "./forecasts";
import { readinessLine } from "./judging";
import { lookLine } from "./looks";
import { nextMove } from "./moves";
import { sightWords } from "./sights";
import { takenInLine } from "./yours";

vi.mock("../../lib/locales/en", () => import("../../lib/locales/pt"));

const NOW = "2026-03-04T12:00:00Z";
const ZONE = "UTC";
const plain = (text: string) => text.replaceAll("\u00a0", " ");
const LOOK = {
  kind: "look",
  at: NOW,
  level: { value: 1.8, unit: "times" },
  high: null,
  bubbles: "throughout",
  top: ["domed"],
  smell: ["fruity"],
  thickness: null,
  celsius: null,
  ph: 4.2,
  floats: null,
  note: "",
} as const;
const MOVE = {
  move: "feed",
  state: "not_yet",
  due: "2026-03-05T08:00:00Z",
  do: [],
  scale_walk: [],
  waits_for: [],
};

beforeAll(() => tellIn({ ...METRIC, decimal: "comma" }));

describe("in Portuguese", () => {
  it("lists join by e, alternatives by ou", () => {
    expect(
      plain(
        flourList([
          { flour: "spelt", g: 30 },
          { flour: "rye", g: 10.5 },
        ]),
      ),
    ).toBe("30 g de espelta e 10,5 g de centeio integral");
    expect(blendWords({ spelt: 2, rye: 1 })).toBe("2 partes de espelta e 1 parte de centeio integral");
    const waits = [
      { sight: "runny", times: null },
      { sight: "froth", times: null },
    ] as unknown as Parameters<typeof sightWords>[0];
    expect(sightWords(waits)).toBe("escorrer ao inclinar ou fizer espuma");
  });

  it("a look reads with decimal commas", () => {
    expect(plain(lookLine({ ...LOOK, top: [...LOOK.top], smell: [...LOOK.smell] }, null))).toBe(
      "1,8 × · bolhas: por todo o lado · em cúpula · cheira a maçã, fruta · pH 4,2",
    );
  });

  it("the next move names day and hour", () => {
    const move = { ...MOVE, plan: null } as unknown as NextMove;
    expect(nextMove({ name: "Cais", move, now: NOW, zone: ZONE }).what).toBe(
      "Deixe Cais em paz. Alimente-o amanhã 08:00.",
    );
    const late = { ...move, state: "late", due: "2026-03-04T10:00:00Z", is_now: true } as NextMove;
    expect(nextMove({ name: "Cais", move: late, now: NOW, zone: ZONE }).what).toBe(
      "Alimente Cais agora. Vai 2 h atrasado, o que não faz mal.",
    );
  });

  it("hours of a forecast take their article", () => {
    const span = {
      earliest: "2026-03-04T14:50:00Z",
      likely: "2026-03-04T15:40:00Z",
      latest: "2026-03-04T16:40:00Z",
    };
    expect(spanWords(span, NOW, ZONE)).toBe("por volta das 15:40, entre as 14:50 e as 16:40");
    const tomorrow = { ...span, likely: "2026-03-05T08:00:00Z", latest: "2026-03-05T10:00:00Z" };
    expect(spanWords(tomorrow, NOW, ZONE)).toBe("por volta de amanhã 08:00, entre hoje 15:00 e amanhã 10:00");
  });

  it("a day of ready tells its spread", () => {
    const on = { earliest: NOW, likely: "2026-03-05T12:00:00Z", latest: "2026-03-07T12:00:00Z" };
    expect(readyWords({ on, seldom: false, latest_is_open: true }, NOW, ZONE)).toBe(
      "Deve estar pronto amanhã, talvez já hoje ou só sábado ou depois.",
    );
  });

  it("one and several differ", () => {
    const change = (feeds: number) =>
      ({ code: "missed", entry_id: null, at: NOW, facts: { feeds } }) as Parameters<typeof changeLine>[0];
    expect(changeLine(change(1), NOW, ZONE)).toContain("Falhou um refresco.");
    expect(changeLine(change(3), NOW, ZONE)).toContain("Falharam 3 refrescos.");
    const verdict = {
      ready: false,
      looks_ready_but: false,
      feeds: [],
      word: null,
      failed: 0,
      rises_no_more: false,
    };
    const line = (more: number) => readinessLine({ ...verdict, feeds_to_go: more } as unknown as Readiness);
    expect(line(1)).toBe("Ainda não está pronto: mais um bom refresco.");
    expect(line(2)).toBe("Ainda não está pronto: mais dois bons refrescos seguidos.");
    const told = {
      jars: 1,
      entries: 2,
      readings: 0,
      flours: 0,
      discard: 0,
      photos: 0,
      levels: 0,
      as_copy: false,
    };
    expect(takenInLine(told as Parameters<typeof takenInLine>[0])).toBe(
      "De novo aqui: 1 frasco e 2 entradas.",
    );
  });

  it("a forecast says what it stands on", () => {
    const basis = { celsius: 23, as_if_c: null, faster_percent: 12, higher_percent: -5, watched: 1 };
    expect(plain(basisWords({ basis, surprising: [] } as unknown as Forecast, false))).toBe(
      "Contado a 23 °C; este frasco vai 12 % mais rápido e 5 % mais baixo do que nos livros (1 refresco observado).",
    );
  });
});
