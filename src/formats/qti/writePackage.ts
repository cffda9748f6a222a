import { strToU8, zipSync } from "fflate";
import { drawItem } from "@/core/items/drawItem";
import type { ExchangeItem, ExchangePassage, StandardName } from "../exchange/exchangeItem";
import { qtiName } from "./names";
import { type PackagePicture, picturePath } from "./pictureFiles";
import { readItem } from "./readItem";
import { sourceText } from "./source";
import { passageFile, writeItem } from "./writeItem";
import { writeXml } from "./xml/writeXml";
import { type Xml, xml } from "./xml/xml";

const TEST_NAMESPACE = "http://www.imsglobal.org/xsd/imsqtiasi_v3p0";
const MANIFEST_NAMESPACE = "http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1";
const STANDARDS_NAMESPACE = "http://www.imsglobal.org/xsd/imscsmd_v1p1";
/** The same items give the same bytes: the zip carries no time of its making. */
const MADE_AT = new Date("1980-01-01T00:00:00");
/** The draw that is written of an item that is drawn anew each time. */
const SEED = 1;

export const SKILLS_PROVIDER = "oxbow-skills";
export const STANDARDS_PROVIDER = "oxbow-standards";

/** An item on its way out, with the documents that it was once read from. */
export interface OutgoingItem extends ExchangeItem {
  /** As it came in, with what was not read of it; null for what was written here. */
  readonly original: string | null;
}

/** A content package of Question and Test Interoperability 3.0: every item with its pictures, a test that lists them in order, and the manifest. */
export function writePackage(
  title: string,
  items: readonly OutgoingItem[],
  pictures: readonly (PackagePicture & { readonly type: string })[] = [],
): Uint8Array {
  const files: Record<string, Uint8Array> = {};
  const pathOf = new Map(pictures.map(({ hash, type }) => [hash, picturePath(hash, type)]));
  const hashAt = new Map([...pathOf].map(([hash, path]) => [`../${path}`, hash]));
  for (const { hash, bytes } of pictures) files[pathOf.get(hash) ?? hash] = bytes;
  const resources = items.map((item) => {
    const name = qtiName(item.id);
    const href = `items/${name}.xml`;
    const drawn = drawItem({ id: item.id, itemId: item.id, body: item.body }, SEED);
    const { root, pictures: drawings } = writeItem(item, drawn, (hash) => pathOf.get(hash) ?? null);
    const document = readItem(root, { pictures: (href) => hashAt.get(href) ?? null }).item?.body ?? null;
    const source = sourceText(item.body, document);
    const beside = {
      ...drawings,
      ...(source === null ? {} : { [`sources/${name}.json`]: source }),
      ...(item.original === null ? {} : { [`originals/${name}.xml`]: item.original }),
    };
    files[href] = strToU8(writeXml(root));
    for (const [path, text] of Object.entries(beside)) files[path] = strToU8(text);
    return xml(
      "resource",
      { identifier: name, type: "imsqti_item_xmlv3p0", href },
      ...alignment(item),
      ...[href, ...Object.keys(beside), ...picturesOf(item, pathOf)].map((path) => xml("file", { href: path })),
      ...(item.passage ? [xml("dependency", { identifierref: `passage.${qtiName(item.passage.id)}` })] : []),
    );
  });
  const passages = new Map(items.flatMap(({ passage }) => (passage ? [[passage.id, passage] as const] : [])));
  for (const passage of passages.values()) files[passageFile(passage.id)] = strToU8(writeXml(stimulusOf(passage)));
  files["test.xml"] = strToU8(writeXml(testOf(title, items)));
  files["imsmanifest.xml"] = strToU8(
    writeXml(
      manifestOf(items, [
        ...[...passages.keys()].map((id) => {
          const href = passageFile(id);
          return xml(
            "resource",
            { identifier: `passage.${qtiName(id)}`, type: "imsqti_stimulus_xmlv3p0", href },
            xml("file", { href }),
          );
        }),
        ...resources,
      ]),
    ),
  );
  return zipSync(files, { level: 6, mtime: MADE_AT });
}

const picturesOf = ({ body }: OutgoingItem, pathOf: ReadonlyMap<string, string>): string[] => [
  ...new Set((body.images ?? []).flatMap(({ picture }) => pathOf.get(picture) ?? [])),
];

function manifestOf(items: readonly OutgoingItem[], resources: readonly Xml[]): Xml {
  return xml(
    "manifest",
    { xmlns: MANIFEST_NAMESPACE, "xmlns:csm": STANDARDS_NAMESPACE, identifier: "oxbow-package" },
    xml("metadata", {}, xml("schema", {}, "QTI Package"), xml("schemaversion", {}, "3.0.0")),
    xml("organizations"),
    xml(
      "resources",
      {},
      xml(
        "resource",
        { identifier: "oxbow-test", type: "imsqti_test_xmlv3p0", href: "test.xml" },
        xml("file", { href: "test.xml" }),
        ...items.map(({ id }) => xml("dependency", { identifierref: qtiName(id) })),
      ),
      ...resources,
    ),
  );
}

/** Standards and skills as the exchange of curriculum standards names them. */
function alignment({ standards, skillIds }: ExchangeItem): Xml[] {
  const set = (providerId: string, names: readonly StandardName[]): Xml[] =>
    names.length === 0
      ? []
      : [
          xml(
            "csm:curriculumStandardsMetadata",
            { providerId },
            xml(
              "csm:setOfGUIDs",
              {},
              ...names.map(({ code, caseId }) =>
                xml(
                  "csm:labelledGUID",
                  {},
                  xml("csm:label", {}, code),
                  ...(caseId === null ? [] : [xml("csm:GUID", {}, caseId)]),
                ),
              ),
            ),
          ),
        ];
  const sets = [
    ...set(STANDARDS_PROVIDER, standards),
    ...set(
      SKILLS_PROVIDER,
      skillIds.map((id) => ({ code: id, caseId: id })),
    ),
  ];
  return sets.length === 0 ? [] : [xml("metadata", {}, xml("csm:curriculumStandardsMetadataSet", {}, ...sets))];
}

const stimulusOf = ({ id, title, language, paragraphs }: ExchangePassage): Xml =>
  xml(
    "qti-assessment-stimulus",
    { xmlns: TEST_NAMESPACE, identifier: qtiName(id), title, "xml:lang": language, "tool-name": "Oxbow" },
    xml("qti-stimulus-body", {}, ...paragraphs.map((paragraph) => xml("p", {}, paragraph))),
  );

const testOf = (title: string, items: readonly OutgoingItem[]): Xml =>
  xml(
    "qti-assessment-test",
    { xmlns: TEST_NAMESPACE, identifier: "oxbow-test", title },
    xml(
      "qti-test-part",
      { identifier: "part-1", "navigation-mode": "nonlinear", "submission-mode": "individual" },
      xml(
        "qti-assessment-section",
        { identifier: "section-1", title, visible: "true" },
        ...items.map(({ id }) =>
          xml("qti-assessment-item-ref", { identifier: qtiName(id), href: `items/${qtiName(id)}.xml` }),
        ),
      ),
    ),
  );
