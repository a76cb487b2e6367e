import type { Course, Person, State } from "./state";

export const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");

const LOOK =
  "body{margin:0;font:16px/1.5 system-ui,sans-serif;color:#1d2630;background:#eef1f4}header{background:#34495e;color:#fff;padding:.7rem 1.5rem;display:flex;gap:1rem;align-items:center}header a{color:#fff}main{max-width:60rem;margin:1.5rem auto;padding:0 1.5rem}section{background:#fff;border:1px solid #c9d1d9;padding:1rem 1.2rem;margin-bottom:1rem}h1{font-size:1.5rem}h2{font-size:1.15rem;margin:.2rem 0 .6rem}table{border-collapse:collapse;width:100%}th,td{border:1px solid #c9d1d9;padding:.35rem .6rem;text-align:left}li{margin:.3rem 0}button{font:inherit;padding:.3rem .8rem;cursor:pointer}input{font:inherit;padding:.25rem .4rem}.soft{color:#55606c;font-size:.9em}form.line{display:inline-flex;gap:.4rem;flex-wrap:wrap;align-items:center}";

/** Every page has the same plain look. */
export const page = (title: string, body: string, person?: Person): string =>
  `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title><style>${LOOK}</style></head><body><header><strong>Quayside courses</strong>${person ? `<a href="/">Courses</a><span style="margin-left:auto">${escaped(`${person.given} ${person.family}`)}</span><a href="/leave">Leave</a>` : ""}</header><main><h1>${escaped(title)}</h1>${body}</main></body></html>`;

export const signInPage = ({ people }: State): string =>
  page(
    "Who are you?",
    `<section><p class="soft">A simulated course site for trying Golden Satchel. There are no passwords.</p><ul>${people
      .map(
        ({ id, given, family, role }) =>
          `<li><form class="line" method="post" action="/enter"><input type="hidden" name="person" value="${escaped(id)}"><button>${escaped(`${given} ${family}`)}</button> <span class="soft">${role}</span></form></li>`,
      )
      .join("")}</ul></section>`,
  );

/** The school's own sign-in. `to`: where the one who is chosen is sent to. */
export const accountPage = ({ people }: State, to: string): string =>
  page(
    "Skerry school account",
    `<section><p class="soft">The school’s own sign-in, simulated. There are no passwords: press a name.</p><form method="post" action="${escaped(to)}"><ul>${people
      .map(
        ({ id, given, family, role }) =>
          `<li><button name="person" value="${escaped(id)}">${escaped(`${given} ${family}`)}</button> <span class="soft">${role}</span></li>`,
      )
      .join("")}</ul></form></section>`,
  );

export const coursesPage = (state: State, person: Person): string =>
  page(
    "Courses",
    `<section><ul>${state.courses
      .filter(({ members }) => person.role === "keeper" || members.includes(person.id))
      .map(({ id, title }) => `<li><a href="/courses/${escaped(id)}">${escaped(title)}</a></li>`)
      .join("")}</ul></section>${
      person.role === "keeper"
        ? `<section><h2>Tools</h2><ul>${state.tools.map(({ name, clientId }) => `<li>${escaped(name)} <span class="soft">${escaped(clientId)}</span></li>`).join("") || "<li>None yet.</li>"}</ul><form class="line" method="post" action="/tools"><label>Address for registering <input name="address" size="50" required></label><button>Add a tool</button></form></section>`
        : ""
    }`,
    person,
  );

const dayOf = (text: string | null): string => (text ? new Date(text).toUTCString().slice(0, 22) : "no date");

export function coursePage(state: State, course: Course, person: Person): string {
  const teaches = person.role !== "student";
  const [tool] = state.tools;
  const columnOf = (id: string) => course.lineItems.find(({ resourceId }) => resourceId === id);
  const entry = (id: string): string => {
    const one = course.entries[id];
    if (!one) return "";
    const column = columnOf(id);
    const links = [
      one.page && `<a href="/courses/${course.id}/files/${escaped(one.page)}">read</a>`,
      one.launch && `<a href="/courses/${course.id}/open/${escaped(id)}">open</a>`,
    ].filter(Boolean);
    const change = teaches
      ? ` <form class="line" method="post" action="/courses/${course.id}/change/${escaped(id)}"><input name="title" aria-label="Name of ${escaped(one.title)}" value="${escaped(one.title)}"><button>Rename</button></form>${
          one.page
            ? ` <form class="line" method="post" action="/courses/${course.id}/change/${escaped(id)}"><input name="added" aria-label="A line for ${escaped(one.title)}"><button>Add a line</button></form>`
            : ""
        }`
      : "";
    const mine = column?.scores[person.id];
    const due = column ? ` <span class="soft">due ${dayOf(column.endDateTime)}</span>` : "";
    const mark = mine && mine.given !== null ? ` <strong>${mine.given} of ${mine.most}</strong>` : "";
    return `<li>${escaped(one.title)} ${links.join(" · ")}${due}${mark}${change}</li>`;
  };
  const topics = course.topics
    .map(({ title, entries }) => `<section><h2>${escaped(title)}</h2><ul>${entries.map(entry).join("")}</ul></section>`)
    .join("");
  const students = course.members.flatMap((id) =>
    state.people.filter((one) => one.id === id && one.role === "student"),
  );
  const marks = teaches
    ? `<section><h2>Marks</h2><table><thead><tr><th>Student</th>${course.lineItems.map(({ label }) => `<th>${escaped(label)}</th>`).join("")}</tr></thead><tbody>${students
        .map(
          (student) =>
            `<tr><td>${escaped(`${student.given} ${student.family}`)}</td>${course.lineItems
              .map(({ scores }) => {
                const score = scores[student.id];
                return `<td>${score && score.given !== null ? `${score.given} of ${score.most}` : ""}</td>`;
              })
              .join("")}</tr>`,
        )
        .join("")}</tbody></table></section>`
    : "";
  const add =
    teaches && tool
      ? `<p><a href="/courses/${course.id}/choose"><button type="button">Add from ${escaped(tool.name)}</button></a> <a href="/courses/${course.id}/tool">${escaped(tool.name)}</a></p>`
      : "";
  return page(course.title, `${add}${topics || "<section>Nothing here yet.</section>"}${marks}`, person);
}

/** A form that sends itself: how messages travel between two sites. */
export const sending = (to: string, fields: Record<string, string>): string =>
  `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><title>One moment</title></head><body><form method="post" action="${escaped(to)}">${Object.entries(
    fields,
  )
    .map(([name, value]) => `<input type="hidden" name="${escaped(name)}" value="${escaped(value)}">`)
    .join("")}<button>Go on</button></form><script>document.forms[0].submit()</script></body></html>`;
