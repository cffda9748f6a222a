import { strToU8, type Zippable, zipSync } from "fflate";
import type { ItemBody } from "@/core/items/itemBody";
import type { ExchangeItem } from "@/formats/exchange/exchangeItem";
import { type PackageReading, readPackage } from "@/formats/qti/readPackage";
import type { OutgoingItem } from "@/formats/qti/writePackage";

/** A package made by hand: items by their file, and further files. */
export function packageOf(
  items: Readonly<Record<string, string>>,
  further: Readonly<Record<string, string>> = {},
  type = "imsqti_item_xmlv2p1",
): Uint8Array {
  const resources = Object.keys(items).map(
    (href, place) => `<resource identifier="r${place}" type="${type}" href="${href}"><file href="${href}"/></resource>`,
  );
  const manifest = `<?xml version="1.0"?><manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1" identifier="m"><organizations/><resources>${resources.join("")}</resources></manifest>`;
  const files: Zippable = {};
  for (const [name, text] of Object.entries({ "imsmanifest.xml": manifest, ...items, ...further }))
    files[name] = strToU8(text);
  return zipSync(files, { level: 1 });
}

/** An item of version 2.1 as another program would write it. */
export const olderItem = (inside: {
  readonly declarations: string;
  readonly body: string;
  readonly attributes?: string;
  readonly after?: string;
}): string => `<?xml version="1.0" encoding="UTF-8"?>
<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="boats-1" title="Boats at the jetty" adaptive="false" timeDependent="false" ${inside.attributes ?? ""}>
  ${inside.declarations}
  <outcomeDeclaration identifier="SCORE" cardinality="single" baseType="float"/>
  <itemBody>
    ${inside.body}
  </itemBody>
  ${inside.after ?? '<responseProcessing template="http://www.imsglobal.org/question/qti_v2p1/rptemplates/match_correct"/>'}
</assessmentItem>`;

export const responseTo = (
  correct: readonly string[],
  more: {
    readonly cardinality?: string;
    readonly baseType?: string;
    readonly name?: string;
    readonly mapping?: string;
  } = {},
): string =>
  `<responseDeclaration identifier="${more.name ?? "RESPONSE"}" cardinality="${more.cardinality ?? "single"}" baseType="${more.baseType ?? "identifier"}">${
    correct.length > 0
      ? `<correctResponse>${correct.map((one) => `<value>${one}</value>`).join("")}</correctResponse>`
      : ""
  }${more.mapping ?? ""}</responseDeclaration>`;

/** What a package gives; fails where it can't be read at all. */
export function readAll(bytes: Uint8Array): Extract<PackageReading, { ok: true }> {
  const reading = readPackage(bytes);
  if (!reading.ok) throw new Error(JSON.stringify(reading.why));
  return reading;
}

/** The only item of a package. */
export function onlyItem(bytes: Uint8Array): { readonly item: ExchangeItem; readonly remarks: readonly string[] } {
  const [first] = readAll(bytes).items;
  if (!first?.item) throw new Error(JSON.stringify(first?.remarks));
  return { item: first.item, remarks: first.remarks.map(({ code }) => code) };
}

export const outgoing = (id: string, body: ItemBody): OutgoingItem => ({
  id,
  title: id,
  body,
  depth: 2,
  calculator: true,
  language: "en",
  skillIds: ["times-as-many"],
  standards: [{ code: "R.6.1", caseId: "5b0c0d5e-0000-4000-8000-000000000001" }],
  passage: null,
  original: null,
});
