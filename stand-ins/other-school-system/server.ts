// A small simulated course site: topics, materials, work, marks, a roster. It speaks LTI 1.3 with its services, and takes Common Cartridges.
// There are no passwords: it is for trying things out. main.ts starts it.
import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import { importCartridge, manifestOf } from "./cartridge";
import {
  configuration,
  giveToken,
  idToken,
  loginAddress,
  mayUse,
  registerTool,
  scopes,
  takeChosen,
  type Hint,
} from "./lti";
import { coursePage, coursesPage, escaped, page, sending, signInPage } from "./pages";
import { addLineItem, addScore, calendar, changeLineItem, lineItems, members } from "./services";
import { html, json, refused, to, type Answer, type Asked } from "./answer";
import { directory } from "./directory";
import { identity } from "./identity";
import type { Course, Store } from "./state";

const MOST_BYTES = 200_000_000;

/** Answers what is asked of the course site at an address of its own. */
export function courseSite(store: Store, issuer: string) {
  /** Its services can be made to fall silent, as a network does. */
  let isSilent = false;

  async function service(course: Course, rest: string, { method, request, body }: Asked): Promise<Answer> {
    const may = (scope: string) => mayUse(request.headers.authorization, scope);
    const said = () => JSON.parse(body.toString() || "{}") as Record<string, never>;
    const column = /^lineitems\/(\d+)(\/scores)?$/.exec(rest);
    if (isSilent) return refused(503);
    if (rest === "lineitems" && may(scopes.lineItem)) {
      if (method === "POST") return { ...json(addLineItem(store, issuer, course, said())), status: 201 };
      return json(lineItems(issuer, course));
    }
    if (column?.[2] && method === "POST" && may(scopes.score))
      return addScore(store, course, Number(column[1]), said()) ? { status: 204, body: "" } : refused(404);
    if (column && !column[2] && method === "PUT" && may(scopes.lineItem)) {
      const changed = changeLineItem(store, issuer, course, Number(column[1]), said());
      return changed ? json(changed) : refused(404);
    }
    if (rest === "members" && may(scopes.members)) return json(members(store, issuer, course));
    if (rest === "cartridge" && may(scopes.cartridge)) {
      if (method !== "POST") return { headers: { "content-type": "application/xml" }, body: manifestOf(course) };
      const taken = importCartridge(course, new Uint8Array(body));
      store.save();
      return json(taken);
    }
    // The files of what is in a course are beside its manifest, as in a package.
    const file = rest.startsWith("cartridge/") ? decodeURIComponent(rest.slice("cartridge/".length)) : "";
    if (file && may(scopes.cartridge))
      return course.files[file]
        ? { headers: { "content-type": typeOf(file) }, body: Buffer.from(course.files[file], "base64") }
        : refused(404);
    return refused(401);
  }

  async function inCourse(course: Course, rest: string, asked: Asked): Promise<Answer> {
    const { person, method, body } = asked;
    if (/^(?:lineitems|members|cartridge)/.test(rest)) return service(course, rest, asked);
    if (rest === "calendar.ics") return { headers: { "content-type": "text/calendar" }, body: calendar(course) };
    if (!person || (person.role !== "keeper" && !course.members.includes(person.id))) return to("/");
    const launch = (hint: Omit<Hint, "course">) =>
      to(loginAddress(issuer, store.state.tools[0]!, person, course, { course: course.id, ...hint }));
    const [what, ...names] = rest.split("/");
    const name = decodeURIComponent(names.join("/"));
    if (rest === "") return html(coursePage(store.state, course, person));
    if (what === "open") return launch({ entry: name, chooses: false });
    if (what === "tool") return launch({ entry: null, chooses: false });
    if (what === "choose") return launch({ entry: null, chooses: true });
    if (what === "chosen" && method === "POST") {
      await takeChosen(store, issuer, course, new URLSearchParams(body.toString()).get("JWT") ?? "");
      return to(`/courses/${course.id}`);
    }
    if (what === "files" && course.files[name])
      return {
        headers: { "content-type": name.endsWith(".html") ? "text/html; charset=utf-8" : typeOf(name) },
        body: Buffer.from(course.files[name], "base64"),
      };
    if (what === "change" && method === "POST" && person.role !== "student" && course.entries[name]) {
      const said = new URLSearchParams(body.toString());
      const title = said.get("title")?.trim();
      const [added, at] = [said.get("added")?.trim(), course.entries[name].page];
      if (added && at) {
        const before = Buffer.from(course.files[at]!, "base64").toString();
        const after = before.replace("</body>", `<p>${escaped(added)}</p></body>`);
        course.files[at] = Buffer.from(after).toString("base64");
      }
      const column = course.lineItems.find(({ resourceId }) => resourceId === name);
      if (title) course.entries[name].title = title;
      if (title && column) column.label = title;
      store.save();
      return to(`/courses/${course.id}`);
    }
    return refused(404);
  }

  const people = identity(store, `${issuer}/identity`);
  const roster = directory(store);

  return async function answer(asked: Asked): Promise<Answer> {
    const { method, url, person, body } = asked;
    const { pathname } = url;
    if (pathname.startsWith("/identity/")) return people(asked);
    if (pathname.startsWith("/directory/")) return roster(asked);
    const form = new URLSearchParams(body.toString());
    const course = /^\/courses\/([^/]+)\/?(.*)$/.exec(pathname);
    if (course) {
      const found = store.course(course[1]);
      return found ? inCourse(found, course[2]!, asked) : refused(404);
    }
    switch (`${method} ${pathname}`) {
      case "GET /":
        return html(person ? coursesPage(store.state, person) : signInPage(store.state));
      case "POST /enter":
        return to("/", { "set-cookie": `quayside=${encodeURIComponent(form.get("person") ?? "")}; Path=/; HttpOnly` });
      case "GET /leave":
        return to("/", { "set-cookie": "quayside=; Path=/; Max-Age=0" });
      case "GET /.well-known/openid-configuration":
        return json(configuration(issuer));
      case "GET /keys": {
        const { kty, n, e, kid, alg, use } = store.state.key;
        return json({ keys: [{ kty, n, e, kid, alg, use }] });
      }
      case "POST /tools": {
        if (person?.role !== "keeper") return refused(403);
        const address = new URL(form.get("address") ?? "");
        address.searchParams.set("openid_configuration", `${issuer}/.well-known/openid-configuration`);
        address.searchParams.set("registration_token", "once");
        return to(address.href);
      }
      case "POST /register":
        return json(registerTool(store, JSON.parse(body.toString()) as Record<string, unknown>));
      case "POST /token":
        return isSilent ? refused(503) : json(await giveToken(store, issuer, form));
      case "GET /authorize": {
        const said = url.searchParams;
        const tool = store.state.tools.find(({ clientId }) => clientId === said.get("client_id"));
        const hint = JSON.parse(said.get("lti_message_hint") ?? "null") as Hint | null;
        const isRight =
          tool?.redirects.includes(said.get("redirect_uri") ?? "") &&
          said.get("response_type") === "id_token" &&
          said.get("response_mode") === "form_post" &&
          person?.id === said.get("login_hint");
        if (!tool || !hint || !person || !isRight) return refused(400);
        const token = await idToken(store, issuer, { tool, person, hint, nonce: said.get("nonce") ?? "" });
        return html(sending(said.get("redirect_uri")!, { id_token: token, state: said.get("state") ?? "" }));
      }
      // For trying what happens when the network is away.
      case "POST /silence":
        isSilent = form.get("on") === "yes";
        return json({ isSilent });
      default:
        return html(page("Not here", "<section>There is nothing at this address.</section>", person));
    }
  };
}

const types: Readonly<Record<string, string>> = {
  png: "image/png",
  jpg: "image/jpeg",
  svg: "image/svg+xml",
  webm: "video/webm",
  ogg: "audio/ogg",
};
const typeOf = (name: string) => types[name.split(".").pop()!] ?? "application/octet-stream";

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of request as AsyncIterable<Buffer>) {
    size += part.length;
    if (size > MOST_BYTES) throw new Error("too large");
    parts.push(part);
  }
  return Buffer.concat(parts);
}

/** Starts it; returns what stops it. */
export function serve(store: Store, issuer: string, port: number): Promise<() => Promise<void>> {
  const answer = courseSite(store, issuer);
  const handle = async (request: IncomingMessage, response: ServerResponse) => {
    const cookie = /(?:^|; )quayside=([^;]+)/.exec(request.headers.cookie ?? "")?.[1];
    try {
      const {
        status = 200,
        headers = {},
        body,
      } = await answer({
        ...{ method: request.method ?? "GET", url: new URL(request.url ?? "/", issuer), request },
        ...{ body: await bodyOf(request), person: store.person(cookie && decodeURIComponent(cookie)) },
      });
      response.writeHead(status, headers).end(body);
    } catch (error) {
      response.writeHead(400, { "content-type": "text/plain" }).end((error as Error).message);
    }
  };
  const server = createServer((request, response) => void handle(request, response));
  return new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", () =>
      resolve(
        () =>
          new Promise<void>((done) => {
            server.close(() => done());
            server.closeAllConnections();
          }),
      ),
    );
  });
}
