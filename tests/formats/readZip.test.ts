import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { readZip } from "@/formats/package/readZip";

const limits = { mostFiles: 5, mostBytes: 20_000_000, mostExpansion: 200 };
const zip = (files: Readonly<Record<string, string | Uint8Array>>) =>
  zipSync(
    Object.fromEntries(
      Object.entries(files).map(([name, body]) => [name, typeof body === "string" ? strToU8(body) : body]),
    ),
  );
const refusal = (bytes: Uint8Array) => {
  const reading = readZip(bytes, limits);
  return reading.ok ? null : reading.why.code;
};

describe("readZip", () => {
  it("gives every file its bytes, without the folder some programs pack around them", () => {
    const reading = readZip(zip({ "export/users.csv": "a,b\n1,2", "manifest.csv": "x".repeat(700_000) }), limits);
    if (!reading.ok) throw new Error(reading.why.code);
    expect([...reading.files.keys()]).toEqual(["users.csv", "manifest.csv"]);
    expect(new TextDecoder().decode(reading.files.get("users.csv"))).toBe("a,b\n1,2");
    expect(reading.files.get("manifest.csv")).toHaveLength(700_000);
  });

  it("stops at a bomb, whatever size it claims", () => {
    const bomb = zip({ "users.csv": new Uint8Array(24_000_000) });
    expect(refusal(bomb)).toMatch(/zip-too-large|zip-grows-too-much/);
    const liar = bomb.slice();
    // The size stated in the central directory and before the data is made small.
    const view = new DataView(liar.buffer);
    view.setUint32(22, 10, true);
    expect(refusal(liar)).toMatch(/zip-too-large|zip-grows-too-much|zip-file-damaged/);
  });

  it.each(["../users.csv", "/etc/users.csv", "C:\\users.csv", "a/../../users.csv", "..\\users.csv"])(
    "refuses the path %s",
    (name) => {
      expect(refusal(zip({ [name]: "a" }))).toBe("zip-leads-out");
    },
  );

  it("refuses two files of one name, too many files, and what is no whole zip", () => {
    expect(refusal(zip({ "a/users.csv": "1", "b/users.csv": "2" }))).toBe("zip-names-twice");
    expect(refusal(zip(Object.fromEntries(["1", "2", "3", "4", "5", "6"].map((name) => [name, "x"]))))).toBe(
      "zip-too-many-files",
    );
    expect(refusal(strToU8("givenName,familyName"))).toBe("not-a-zip");
    expect(refusal(new Uint8Array(0))).toBe("not-a-zip");
    const names = Array.from({ length: 3000 }, (_, n) => `${(n * 7919) % 104729}`).join("\n");
    const whole = zip({ "users.csv": names });
    for (const length of [40, 60, whole.length - 400])
      expect(refusal(whole.slice(0, length)), String(length)).not.toBeNull();
  });
});
