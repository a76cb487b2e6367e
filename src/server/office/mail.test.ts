import { createServer, type Server, type Socket } from "node:net";
import type { AddressInfo } from "node:net";
import type { Db } from "@/data/engine/db";
import { addMessages, messagesBy, type WaitingMessage } from "@/data/office/outbox";
import { freshDatabase } from "@/data/testing/database";
import { now, smallWorld, type World } from "@/data/testing/world";
import { sendBySmtp, sendMail } from "./mail";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => db.query("delete from outbox"));

const write = (subject: string, at = now) =>
  addMessages(db, { school: world.here, person: world.ines, at }, [
    { toName: "Rona Sundin", toAddress: "rona@skerry.example", subject, body: "Grüße, Rona.\nSee you at the quay." },
  ]);
const minutes = (count: number) => new Date(now.getTime() + count * 60_000);

test("what waits is sent once; two processes at a time do not send it twice", async () => {
  await write("One");
  await write("Two");
  const went: string[] = [];
  const send = async ({ subject }: WaitingMessage) => void went.push(subject);
  await Promise.all([sendMail(db, send, now), sendMail(db, send, now)]);
  expect(went.sort()).toEqual(["One", "Two"]);
  expect(await sendMail(db, send, minutes(60))).toBe(0);
  expect(await messagesBy(db, world.ines)).toHaveLength(2);
});

test("a mail server that is away is tried again later and later, and in the end not any more", async () => {
  await write("Patience");
  let tries = 0;
  const away = async () => {
    tries += 1;
    throw new Error("connect ECONNREFUSED");
  };
  await sendMail(db, away, now);
  expect(await sendMail(db, away, now)).toBe(0);
  expect(tries).toBe(1);
  await sendMail(db, away, minutes(1));
  expect(tries).toBe(2);
  for (let at = 3; at < 4000; at += 60) await sendMail(db, away, minutes(at));
  expect(tries).toBe(8);
});

test("a message whose next try was set while the clock was wrong is sent as soon as it is right", async () => {
  await write("Next year");
  const away = () => Promise.reject(new Error("connect ECONNREFUSED"));
  await db.query("update outbox set next_try = $1", [minutes(365 * 24 * 60)]);
  let sent = 0;
  await sendMail(db, away, now);
  await sendMail(db, async () => void (sent += 1), minutes(5));
  expect(sent).toBe(1);
});

test("what was written long before there was a mail server is not sent now", async () => {
  await write("Last year", new Date(now.getTime() - 4 * 86_400_000));
  expect(await sendMail(db, async () => undefined, now)).toBe(0);
});

test("a message arrives at a mail server as it was written", async () => {
  let said = "";
  const server: Server = createServer((socket: Socket) => {
    let inData = false;
    socket.write("220 test\r\n");
    socket.on("data", (piece) => {
      const text = piece.toString();
      said += text;
      if (inData) {
        if (text.includes("\r\n.\r\n")) {
          inData = false;
          socket.write("250 kept\r\n");
        }
      } else if (/^DATA/m.test(text)) {
        inData = true;
        socket.write("354 go on\r\n");
      } else if (/^QUIT/m.test(text)) socket.end("221 bye\r\n");
      else for (const _ of text.trim().split("\r\n")) socket.write("250 ok\r\n");
    });
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  await write("High water at 11:40");
  const url = `smtp://127.0.0.1:${(server.address() as AddressInfo).port}`;
  expect(await sendMail(db, sendBySmtp(url, "Golden Satchel <office@skerry.example>"), now)).toBe(1);
  expect(said).toContain("RCPT TO:<rona@skerry.example>");
  expect(said).toContain("Subject: High water at 11:40");
  expect(said).toMatch(/Gr=C3=BC=C3=9Fe, Rona/);
  server.close();
});
