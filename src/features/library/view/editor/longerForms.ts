import type { PartForm } from "./fieldTypes";

/** Lines of work on an equation or expression. */
export const stepsForm: PartForm = {
  fields: [
    {
      type: "text",
      name: "start",
      label: "Line to start from",
      help: "An equation, inequality or expression in one unknown; slots such as {a} are filled",
    },
    {
      type: "list",
      name: "misconceptions",
      label: "Slips that tell something",
      add: "Add a telling slip",
      of: [
        {
          type: "choice",
          name: "slip",
          label: "Slip in a line",
          options: [
            ["distribution", "only part of a bracket multiplied"],
            ["sign", "a sign lost or turned"],
            ["inverse-operation", "moved with the same operation"],
            ["direction", "an inequality not turned"],
            ["arithmetic", "worked out to another number"],
          ],
        },
        { type: "misconception", name: "id", label: "What the student thinks" },
      ],
      blank: () => ({ slip: "inverse-operation", id: "" }),
      least: 0,
    },
  ],
  blank: { start: "", misconceptions: [] },
};

/** An answer that a person scores. */
export const writtenForm: PartForm = {
  fields: [
    {
      type: "choice",
      name: "length",
      label: "How much to write",
      options: [
        ["sentence", "a sentence"],
        ["paragraph", "a paragraph"],
        ["page", "a page"],
      ],
    },
    { type: "check", name: "showCriteria", label: "Students see what you look for" },
    {
      type: "list",
      name: "criteria",
      label: "What you look for",
      add: "Look for something else too",
      of: [
        { type: "text", name: "name", label: "Look for" },
        {
          type: "texts",
          name: "levels",
          label: "What earns 0, 1, 2 … points, in this order",
          add: "One point more",
        },
      ],
      blank: (id) => ({ id: id(), name: "", levels: ["", ""] }),
      least: 1,
    },
    { type: "text", name: "sample", label: "An answer that earns everything", help: "Shown to whoever scores" },
  ],
  blank: {
    length: "paragraph",
    showCriteria: true,
    criteria: [{ id: "a", name: "", levels: ["", "", ""] }],
    sample: "",
  },
};
