import fc from "fast-check";
import {
  lastPieces,
  piecesShownTo,
  questionsSentBack,
  replyTo,
  stateWhenSent,
  type Piece,
  type PieceState,
} from "./piece";
import { formatSharing, isPiece, plainSharing, problemOfSharing, sendsPieces, type Sharing } from "./sharing";

const now = new Date("2026-12-01T10:00:00Z");
const sharing = (more: Partial<Sharing>): Sharing => ({ ...plainSharing, ...more });
let id = 0;
const piece = (student: number, state: PieceState, number = 1, question = "q"): Piece => ({
  id: (id += 1),
  student,
  question,
  number,
  state,
});
const seen = (how: Partial<Sharing>, pieces: Piece[], student = 1) =>
  piecesShownTo(sharing(how), student, pieces, now).map((one) => one.student);

describe("what waits for the teacher", () => {
  test("everything, nothing, or of each child until one piece was good", () => {
    const good = [piece(1, "sent back"), piece(1, "approved", 2)];
    expect(stateWhenSent(sharing({ look: "everything" }), good)).toBe("waiting");
    expect(stateWhenSent(sharing({ look: "nothing" }), [])).toBe("not looked at");
    expect(stateWhenSent(sharing({ look: "until good" }), [])).toBe("waiting");
    expect(stateWhenSent(sharing({ look: "until good" }), [piece(1, "sent back")])).toBe("waiting");
    expect(stateWhenSent(sharing({ look: "until good" }), good)).toBe("not looked at");
  });

  test("plain work asks children to send nothing; work that is looked at or shown does", () => {
    expect(sendsPieces(plainSharing)).toBe(false);
    expect(sendsPieces(sharing({ look: "everything" }))).toBe(true);
    expect(sendsPieces(sharing({ classmates: "any time" }))).toBe(true);
  });

  test("only what was written, drawn, photographed or said is a piece", () => {
    expect((["longText", "sketch", "photo", "speech", "notePage"] as const).every(isPiece)).toBe(true);
    expect((["choice", "number", "poll", "gaps"] as const).some(isPiece)).toBe(false);
  });
});

describe("what classmates see", () => {
  const all = [piece(1, "waiting"), piece(2, "approved"), piece(3, "waiting"), piece(4, "not looked at")];

  test("never, after the own piece, or at any time; never what waits or the own", () => {
    expect(seen({ classmates: "never" }, all)).toEqual([]);
    expect(seen({ classmates: "own first" }, all)).toEqual([2, 4]);
    expect(seen({ classmates: "own first" }, all, 9)).toEqual([]);
    expect(seen({ classmates: "any time" }, all, 9)).toEqual([2, 4]);
  });

  test("while a correction waits, what was good before is still shown; sent back, nothing of it is", () => {
    expect(seen({ classmates: "any time" }, [piece(2, "approved"), piece(2, "waiting", 2)])).toEqual([2]);
    expect(seen({ classmates: "any time" }, [piece(2, "approved"), piece(2, "sent back", 2)])).toEqual([]);
    expect(seen({ classmates: "any time" }, [piece(2, "sent back"), piece(2, "approved", 2)])).toEqual([2]);
  });

  test("closed from a set moment on", () => {
    expect(seen({ classmates: "any time", until: "2026-12-01T10:00:00Z" }, all)).toEqual([]);
    expect(seen({ classmates: "any time", until: "2026-12-01T10:00:01Z" }, all)).toEqual([2, 4]);
  });

  test("whatever is sent and decided, nobody sees what was not good, her own, or two of one child", () => {
    const state = fc.constantFrom<PieceState>("waiting", "approved", "sent back", "not looked at");
    const pieces = fc.array(fc.record({ student: fc.integer({ min: 1, max: 4 }), state }), { maxLength: 20 });
    const how = fc.record({
      look: fc.constantFrom("nothing" as const, "everything" as const, "until good" as const),
      classmates: fc.constantFrom("never" as const, "own first" as const, "any time" as const),
    });
    fc.assert(
      fc.property(pieces, how, (sent, rules) => {
        const numbers = new Map<number, number>();
        const made = sent.map(({ student, state: is }) => {
          numbers.set(student, (numbers.get(student) ?? 0) + 1);
          return piece(student, is, numbers.get(student)!);
        });
        const shown = piecesShownTo(sharing(rules), 1, made, now);
        expect(shown.every(({ state: is }) => is === "approved" || is === "not looked at")).toBe(true);
        expect(shown.some(({ student }) => student === 1)).toBe(false);
        expect(new Set(shown.map(({ student }) => student)).size).toBe(shown.length);
        const back = new Set(lastPieces(made).flatMap((one) => (one.state === "sent back" ? [one.student] : [])));
        expect(shown.some(({ student }) => back.has(student))).toBe(false);
      }),
    );
  });
});

test("what was sent back last is to be corrected; sent again it is not", () => {
  expect(questionsSentBack([piece(1, "sent back", 1, "a"), piece(1, "approved", 1, "b")])).toEqual(["a"]);
  expect(questionsSentBack([piece(1, "sent back", 1, "a"), piece(1, "waiting", 2, "a")])).toEqual([]);
});

describe("replies", () => {
  test("off, in words, or by voice; they wait as pieces do", () => {
    expect(replyTo(sharing({ classmates: "any time" }), [])).toEqual({ allowed: false });
    expect(replyTo(sharing({ replies: "words" }), [])).toEqual({ allowed: false });
    expect(replyTo(sharing({ classmates: "any time", replies: "words" }), [])).toEqual({
      ...{ allowed: true, voice: false, state: "shown" },
    });
    const looked = sharing({ classmates: "any time", replies: "voice", look: "until good" });
    expect(replyTo(looked, [])).toMatchObject({ voice: true, state: "waiting" });
    expect(replyTo(looked, [piece(1, "approved")])).toMatchObject({ state: "shown" });
  });
});

describe("how it is said", () => {
  test("what is put away is shown to nobody and not sent back", () => {
    expect(problemOfSharing(sharing({ putAway: true }))).toBeNull();
    expect(problemOfSharing(sharing({ putAway: true, classmates: "any time" }))).toMatch(/classmates cannot see/);
    expect(problemOfSharing(sharing({ putAway: true, look: "everything" }))).toMatch(/cannot be sent back/);
  });

  test("nothing is said of plain work, and everything else in words", () => {
    expect(formatSharing(plainSharing)).toEqual([]);
    expect(formatSharing(sharing({ look: "everything", classmates: "own first", replies: "voice" }))).toEqual([
      "you see what they write, draw or say before anyone else does",
      "classmates see it after sending their own",
      "they may reply in words or by voice",
    ]);
  });
});
