import http from "node:http";
import type { AddressInfo } from "node:net";
import { addressOf, noteConnections } from "./client-address";

jest.mock("next/headers", () => ({}));

describe("where a request comes from", () => {
  test("without a proxy of ours, what anybody writes about it counts for nothing", () => {
    expect(addressOf("10.0.0.7", "1.2.3.4", 0)).toBe("10.0.0.7");
    expect(addressOf(null, null, 0)).toBe("unknown");
  });

  test("behind proxies of ours, what the outermost of them wrote", () => {
    expect(addressOf("127.0.0.1", "6.6.6.6, 10.0.0.7", 1)).toBe("10.0.0.7");
    expect(addressOf("127.0.0.1", "6.6.6.6, 10.0.0.7, 10.0.0.1", 2)).toBe("10.0.0.7");
    expect(addressOf("127.0.0.1", null, 1)).toBe("127.0.0.1");
  });

  test("the connection's own address is noted on every request, whatever the request says of itself", async () => {
    noteConnections();
    const server = http.createServer((request, response) =>
      response.end(String(request.headers["x-satchel-connection"])),
    );
    await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
    const { port } = server.address() as AddressInfo;
    const said = await fetch(`http://127.0.0.1:${port}`, { headers: { "x-satchel-connection": "6.6.6.6" } });
    expect(await said.text()).toBe("127.0.0.1");
    await new Promise((done) => server.close(done));
  });
});
