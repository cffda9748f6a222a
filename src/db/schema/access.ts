import { index, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { people } from "./people";

export const credentials = sqliteTable("credentials", {
  personId: text("person_id")
    .primaryKey()
    .references(() => people.id, { onDelete: "cascade" }),
  /** Argon2id hash of a staff password or a student PIN. */
  secretHash: text("secret_hash").notNull(),
  kind: text("kind", { enum: ["password", "number", "picture"] })
    .notNull()
    .default("number"),
  /** Until then the teacher is shown that wrong tries make somebody wait at this door, and can lift it. */
  lockedUntil: integer("locked_until"),
  lastSignInAt: integer("last_sign_in_at"),
  /** SHA-256 of the token in a student's printed code. */
  cardHash: text("card_hash").unique(),
  /** Shared secret of the second step, base32; it counts once `totpConfirmedAt` is set. */
  totpSecret: text("totp_secret"),
  totpConfirmedAt: integer("totp_confirmed_at"),
  /** Time step of the last code taken: no code is taken twice. */
  totpLastStep: integer("totp_last_step"),
});

export const sessions = sqliteTable(
  "sessions",
  {
    /** SHA-256 of the cookie's token: a stolen database opens no session. */
    tokenHash: text("token_hash").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id, { onDelete: "cascade" }),
    createdAt: integer("created_at").notNull(),
    expiresAt: integer("expires_at").notNull(),
    revokedAt: integer("revoked_at"),
    lastSeenAt: integer("last_seen_at").notNull().default(0),
    /** How the person came in. */
    by: text("by", { enum: ["password", "pin", "card"] })
      .notNull()
      .default("password"),
    device: text("device").notNull().default(""),
  },
  (t) => [index("sessions_by_person").on(t.personId)],
);

/** Wrong tries at a door of one kind; what slows guessing down. */
export const throttles = sqliteTable(
  "throttles",
  {
    kind: text("kind").notNull(),
    key: text("key").notNull(),
    count: integer("count").notNull(),
    lastAt: integer("last_at").notNull(),
    /** When all of them are forgotten, and the row says nothing any more. */
    forgetAt: integer("forget_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.key] }), index("throttles_by_end").on(t.forgetAt)],
);

/** Devices on which somebody signed in before: who guesses elsewhere does not make them wait. */
export const knownDevices = sqliteTable(
  "known_devices",
  {
    personId: text("person_id")
      .notNull()
      .references(() => people.id, { onDelete: "cascade" }),
    /** SHA-256 of the mark in the browser's cookie. */
    deviceHash: text("device_hash").notNull(),
    lastAt: integer("last_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.deviceHash] })],
);

export const passwordResets = sqliteTable(
  "password_resets",
  {
    tokenHash: text("token_hash").primaryKey(),
    personId: text("person_id")
      .notNull()
      .references(() => people.id, { onDelete: "cascade" }),
    expiresAt: integer("expires_at").notNull(),
    usedAt: integer("used_at"),
  },
  (t) => [index("password_resets_by_person").on(t.personId)],
);
