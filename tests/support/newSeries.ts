/** A series as it is sent; this one gives nothing before next year. */
export const newSeries = (id: string, classId: string) => ({
  id,
  classId,
  title: "Again",
  kind: "amount",
  rules: {
    source: { by: "skills", skillIds: ["equivalent-ratios"] },
    items: 5,
    weekdays: [1, 3],
    everyWeeks: 1,
    onHoliday: "next",
    dueAfter: 0,
  },
  fromDay: "2027-01-11",
  toDay: "2027-01-29",
});
