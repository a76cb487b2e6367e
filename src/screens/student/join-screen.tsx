"use client";
import { clsx } from "clsx";
import { Delete } from "lucide-react";
import { Link } from "@/ui/link";
import { useId, useState, useTransition, type ComponentProps, type FormEvent } from "react";
import { PASSWORD_LENGTH, pictures, type Picture } from "@/core/student/pictures";
import { joinClass, readCode, signInWithPictures, signInWithWords } from "@/screens/acts/student";
import { ScreenLanguageChoice } from "../language/screen-language";
import { useProblem } from "../language/use-problem";
import { Brand } from "../shell/brand";
import { BadgeIcon } from "./badge-icon";
import { pictureIcons } from "./picture-icon";
import { useTranslations } from "use-intl";

const big = "min-h-14 rounded-card border-2 px-5 text-lg font-bold disabled:opacity-50";
const field = "min-h-14 w-full rounded-card border-2 border-line-strong bg-card px-4 text-xl";

function Problem({ text }: { text: string | null }) {
  return text ? (
    <p role="alert" className="rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
      {text}
    </p>
  ) : null;
}

function WithCode({ to, code: before }: { to: number | null; code: string }) {
  const t = useTranslations("join");
  const problemText = useProblem();
  const [code, setCode] = useState(before);
  const [group, setGroup] = useState<{ class: string; students: { id: number; name: string; badge: number }[] } | null>(
    null,
  );
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const look = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const outcome = await readCode({ code });
      setProblem(outcome.ok ? null : problemText(outcome));
      setGroup(outcome.ok ? outcome.value : null);
    });
  };
  const choose = (student: number) =>
    start(async () => {
      const outcome = await joinClass({ code, student, to });
      if (outcome && !outcome.ok) {
        setProblem(problemText(outcome));
        setGroup(null);
      }
    });
  if (group) {
    return (
      <section aria-labelledby="who">
        <h1 id="who" className="text-2xl font-bold">
          {t("who", { class: group.class })}
        </h1>
        <ul className="mt-4 grid grid-cols-2 gap-2 sm:grid-cols-3">
          {group.students.map((student) => (
            <li key={student.id}>
              <button
                type="button"
                disabled={busy}
                onClick={() => choose(student.id)}
                className={clsx(big, "flex w-full items-center gap-2 border-line bg-card text-left hover:border-green")}
              >
                <BadgeIcon n={student.badge} size={16} /> {student.name}
              </button>
            </li>
          ))}
        </ul>
        <button type="button" className="mt-4 min-h-12 underline" onClick={() => setGroup(null)}>
          {t("newCode")}
        </button>
      </section>
    );
  }
  return (
    <form onSubmit={look} className="grid gap-4">
      <BigField
        label={t("board")}
        value={code}
        onChange={setCode}
        placeholder="KELP 42"
        autoCapitalize="characters"
        maxLength={20}
        className="tracking-widest uppercase"
      />
      <Problem text={problem} />
      <button
        type="submit"
        disabled={busy || !code.trim()}
        className={clsx(big, "border-green bg-green text-on-green")}
      >
        {t("comeIn")}
      </button>
    </form>
  );
}

/** A field as large as the question it answers. */
function BigField({
  label,
  onChange,
  className,
  ...input
}: Omit<ComponentProps<"input">, "onChange"> & { label: string; onChange: (text: string) => void }) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className="text-2xl font-bold">
        {label}
      </label>
      <input
        id={id}
        autoCapitalize="none"
        autoComplete="off"
        spellCheck={false}
        {...input}
        onChange={(event) => onChange(event.target.value)}
        className={clsx(field, className)}
      />
    </>
  );
}

const NameField = ({ name, onChange }: { name: string; onChange: (name: string) => void }) => (
  <BigField
    label={useTranslations("join")("myName")}
    value={name}
    onChange={onChange}
    placeholder="sunniva.dale"
    autoComplete="username"
    maxLength={80}
  />
);

function WithPictures({ to, name: before }: { to: number | null; name: string }) {
  const t = useTranslations("join");
  const problemText = useProblem();
  const [name, setName] = useState(before);
  const picturesIn = useTranslations("picture");
  const [chosen, setChosen] = useState<Picture[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const outcome = await signInWithPictures({ name, pictures: chosen, to });
      if (outcome && !outcome.ok) {
        setProblem(problemText(outcome));
        setChosen([]);
      }
    });
  };
  return (
    <form onSubmit={submit} className="grid gap-4">
      <NameField name={name} onChange={setName} />
      <div className="flex items-center justify-between">
        <h2 className="text-2xl font-bold" id="pictures">
          {t("myPictures")}
        </h2>
        <p
          className="flex items-center gap-2"
          role="status"
          aria-label={t("chosen", { count: chosen.length, outOf: PASSWORD_LENGTH })}
        >
          {Array.from({ length: PASSWORD_LENGTH }, (_, at) => (
            <span
              key={at}
              className={clsx("h-4 w-4 rounded-full border-2 border-ink", at < chosen.length && "bg-ink")}
            />
          ))}
          <button
            type="button"
            aria-label={t("takeBack")}
            disabled={chosen.length === 0}
            onClick={() => setChosen(chosen.slice(0, -1))}
            className="grid h-12 w-12 place-items-center disabled:opacity-30"
          >
            <Delete size={22} aria-hidden />
          </button>
        </p>
      </div>
      <div role="group" aria-labelledby="pictures" className="grid grid-cols-4 gap-2">
        {pictures.map((picture) => {
          const Icon = pictureIcons[picture];
          return (
            <button
              key={picture}
              type="button"
              disabled={chosen.length >= PASSWORD_LENGTH}
              onClick={() => setChosen([...chosen, picture])}
              className="grid min-h-20 place-items-center rounded-card border-2 border-line bg-card py-2 text-sm hover:border-green disabled:opacity-50"
            >
              <Icon size={30} strokeWidth={1.6} aria-hidden />
              {picturesIn(picture)}
            </button>
          );
        })}
      </div>
      <Problem text={problem} />
      <button
        type="submit"
        disabled={busy || !name.trim() || chosen.length < PASSWORD_LENGTH}
        className={clsx(big, "border-green bg-green text-on-green")}
      >
        {t("comeIn")}
      </button>
    </form>
  );
}

function WithWords({ to, name: before }: { to: number | null; name: string }) {
  const t = useTranslations("join");
  const problemText = useProblem();
  const [name, setName] = useState(before);
  const [words, setWords] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    start(async () => {
      const outcome = await signInWithWords({ name, words, to });
      if (outcome && !outcome.ok) setProblem(problemText(outcome));
    });
  };
  return (
    <form onSubmit={submit} className="grid gap-4">
      <NameField name={name} onChange={setName} />
      <BigField label={t("myWords")} value={words} onChange={setWords} placeholder="lantern whale" maxLength={60} />
      <Problem text={problem} />
      <button
        type="submit"
        disabled={busy || !name.trim() || !words.trim()}
        className={clsx(big, "border-green bg-green text-on-green")}
      >
        {t("comeIn")}
      </button>
    </form>
  );
}

type Door = "code" | "pictures" | "words";

/** Doors for students: the code on the board, or a name and three pictures, or a name and two words. */
export function JoinScreen({
  to,
  code,
  name,
  door: first,
  screens,
}: {
  /** The piece of work a link led to. */
  to: number | null;
  code: string;
  name: string;
  door: Door;
  /** The languages these screens are in. */
  screens: readonly { code: string; name: string }[];
}) {
  const t = useTranslations("join");
  const [door, setDoor] = useState<Door>(first);
  return (
    <main className="finger-size mx-auto min-h-dvh max-w-xl px-4 py-6 font-child">
      <div className="flex items-center justify-between">
        <Brand />
        <ScreenLanguageChoice languages={screens} />
      </div>
      <div className="mt-6 mb-6 grid grid-cols-3 gap-2" role="group" aria-label={t("how")}>
        {(
          [
            ["code", t("byCode")],
            ["pictures", t("byPictures")],
            ["words", t("byWords")],
          ] as const
        ).map(([value, text]) => (
          <button
            key={value}
            type="button"
            aria-pressed={door === value}
            onClick={() => setDoor(value)}
            className={clsx(
              "min-h-12 rounded-card border-2 font-bold",
              door === value ? "border-ink bg-ink text-paper" : "border-line bg-card",
            )}
          >
            {text}
          </button>
        ))}
      </div>
      {door === "code" ? (
        <WithCode to={to} code={code} />
      ) : door === "pictures" ? (
        <WithPictures to={to} name={name} />
      ) : (
        <WithWords to={to} name={name} />
      )}
      <p className="mt-8 text-center">
        <Link href="/sign-in" className="inline-block min-h-12 py-3 text-ink-soft underline">
          {t("teacher")}
        </Link>
      </p>
    </main>
  );
}
