import type { SameBecause } from "@/core/roster/likelySame";
import type { HealthKind } from "@/core/roster/rosterHealth";
import type { RosterRemarkCode } from "@/core/roster/rosterRemark";

/** What is said of a roster file, as ICU messages; values are the remark's own, lists joined. */
export const ROSTER_MESSAGES: Readonly<Record<RosterRemarkCode, string>> = {
  "number-missing": "The student number is missing. It keeps a student’s evidence together, so every row needs one.",
  "number-twice": "This number stands in row {row} already. Each student needs a number of their own.",
  "given-name-missing": "The given name is missing.",
  "family-name-missing": "The family name is missing.",
  "name-too-long": "A name is longer than {most} letters.",
  "not-a-grade": "A grade is K or a number from 1 to 12.",
  "not-an-address": "This is no email address. Leave the cell empty if there is none.",
  "birth-year-outside": "A birth year lies between {first} and {last}.",
  "not-a-support": "“{name}” is no support. Write for example: time × 1.5; read aloud.",
  "no-class": "There is no class “{name}”. Make the class first, or write its name as it is here.",
  "no-group": "There is no group “{name}” that you may change.",
  "parents-in-circle": "The parents go round in a circle.",
  "same-thing-twice": "Another row stands for the same person or thing already.",
  "address-taken": "Somebody else has this email address.",
  "number-taken": "Somebody else at this school has this number.",
  "school-not-open": "This school is not in the file, or not one that you look after.",
  "reference-missing": "There is no such row in {file}, or it was left out.",
  "not-a-date": "A date is written 2026-09-01.",
  "not-a-time": "A time is written 2026-09-01T08:00:00Z.",
  "not-a-school-year": "A school year is the year in which it ends, such as 2027.",
  "not-a-flag": "This is true or false.",
  "not-grades": "Grades are written KG, 01 to 12, with commas between them.",
  "not-one-of": "This is one of {values}.",
  "cell-empty": "This must not be empty.",
  "cell-too-long": "A cell holds more than {most} characters. Is a quotation mark not closed?",
  "id-twice": "This id is there twice; the first row counts.",
  "person-without-role": "This person has no row in roles.csv, so nobody can tell a student from a teacher.",
  "row-of-other-length":
    "The row has {cells, plural, one {# cell} other {# cells}}, the file {columns, plural, one {# column} other {# columns}}. Is a quotation mark or comma missing?",
  "columns-missing": "These columns are missing.",
  "column-twice": "The column {name} is there twice.",
  "no-manifest": "There is no manifest; every file was taken as the whole truth (bulk).",
  "mode-not-known": "A file is absent, bulk or delta.",
  "not-utf-8":
    "The file is not in UTF-8. It was read as Western European (Windows-1252): check the accents in the names.",
  "quote-not-closed": "A quotation mark near row {row} is not closed; look closely at the rows after it.",
  "other-sheets-unread": "Only the sheet “{name}” was read; not: {others}.",
  "family-left-out":
    "{count, plural, one {# family member was} other {# family members were}} left out: Oxbow keeps no family accounts.",
  "proctors-left-out":
    "{count, plural, one {# enrollment of an administrator or proctor was} other {# enrollments of administrators and proctors were}} left out.",
  "over-left-out": "{count, plural, one {# row was} other {# rows were}} left out: over before today.",
  "others-join":
    "{count, plural, one {# of these students is in no class of yours: the student joins the class, name, grade and supports stay.} other {# of these students are in no class of yours: they join the class, their names, grades and supports stay.}}",
  "not-in-file":
    "In the class but not in the file, and left as they are: {names}{more, plural, =0 {} other { and # more}}.",
  "many-inactive":
    "This would make {inactive, number} of {active, number} {file, select, users {people} classes {classes} enrollments {enrollments} roles {roles} orgs {schools} courses {courses} other {{file}}} inactive. Is the file complete?",
  "file-empty": "The file is empty. It needs a row of column names at least, and a row for each student or thing.",
  "file-not-text": "This is not a text file. Save the sheet as CSV in your spreadsheet program, then choose that file.",
  "file-too-large": "The file is larger than {megabytes} MB: too large for a roster sheet. Is it the right file?",
  "no-rows": "The file has no rows under its headers. The first row names the columns; each further row is a student.",
  "too-many-columns": "The file has {columns, number} columns; at most {most, number} can be read.",
  "too-many-rows":
    "The file has about {rows, number} rows; at most {most, number} can be read at once. Choose another file, or split this one.",
  "more-rows-than": "The file has more than {most, number} rows.",
  "no-roster-files": "The package holds none of the rostering files, such as users.csv. Is it the right export?",
  "not-a-zip": "This is not a zip file. Choose the package as it was exported.",
  "zip-empty": "The zip file is empty, or not whole. Export the package again.",
  "zip-not-whole": "The zip file is damaged or not whole. Export or copy the package again.",
  "zip-leads-out": "The package holds a file with a path that leads out of it ({name}). It was not read.",
  "zip-names-twice": "The package holds two files named {name}. Keep one of them.",
  "zip-too-many-files": "The package holds more than {most, number} files. Is it the right one?",
  "zip-file-damaged": "{name} in the package is damaged. Export the package again.",
  "zip-too-large": "The package unpacks to more than {megabytes} MB. It was not read.",
  "zip-grows-too-much": "{name} unpacks to far more than a list can. It was not read.",
  "no-workbook": "This zip file is no workbook. Choose a sheet saved as XLSX or CSV, or a roster package.",
  "workbook-damaged": "The workbook is damaged and could not be read. Save it anew, or save it as CSV.",
  "looking-at-roster": "looking at the roster",
  "reading-file": "reading {name}",
  "reading-sheet": "reading the sheet",
  "reading-rows": "reading the rows",
  comparing: "comparing with the roster",
};

/** What looks off in a roster; `count` is how many it is about. */
export const HEALTH_MESSAGES: Readonly<Record<HealthKind, string>> = {
  locked: "{count, plural, one {# student is} other {# students are}} held at the door: wrong PINs were tried",
  "no-class": "{count, plural, one {# student is} other {# students are}} in no class",
  "no-teacher": "{count, plural, one {# class has} other {# classes have}} no teacher",
  "no-pin": "{count, plural, one {# student has} other {# students have}} no PIN and no card, and can’t sign in",
  "class-over": "{count, plural, one {# class has} other {# classes have}} passed the day that was set as the last one",
  duplicate: "{name} is there {count} times with the same {share, select, grade {grade} other {birth year}}",
  grade:
    "{nameGiven, select, yes {{name} is} other {{count, plural, one {# student is} other {# students are}}}} in {className}, a class of grade {classGrade}, with grade {grades}",
  "class-size":
    "{className} has {students, plural, one {# student} other {# students}}; the usual number in grade {grade} {subject} is {usual}",
  "never-signed-in":
    "{count, plural, one {# student has} other {# students have}} not signed in once in {schoolDays} school days or more",
};

/** What speaks for two entries being one. */
export const SAME_MESSAGES: Readonly<Record<SameBecause["code"], string>> = {
  "title-and-school": "same title, same school",
  email: "same email address",
  "name-and-birth-year": "same name, born {birthYear}",
  "name-and-grade": "same name, grade {grade}",
};
