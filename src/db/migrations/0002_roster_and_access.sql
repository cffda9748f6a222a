CREATE TABLE `password_resets` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`expires_at` integer NOT NULL,
	`used_at` integer,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `throttles` (
	`kind` text NOT NULL,
	`key` text NOT NULL,
	`count` integer NOT NULL,
	`window_ends_at` integer NOT NULL,
	PRIMARY KEY(`kind`, `key`)
);
--> statement-breakpoint
CREATE TABLE `change_rows` (
	`id` text PRIMARY KEY NOT NULL,
	`change_id` text NOT NULL,
	`place` integer NOT NULL,
	`rows` text NOT NULL,
	FOREIGN KEY (`change_id`) REFERENCES `changes`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `change_rows_by_change` ON `change_rows` (`change_id`,`place`);--> statement-breakpoint
CREATE TABLE `change_subjects` (
	`id` text PRIMARY KEY NOT NULL,
	`change_id` text NOT NULL,
	`subject_id` text NOT NULL,
	FOREIGN KEY (`change_id`) REFERENCES `changes`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `change_subjects_by_subject` ON `change_subjects` (`subject_id`,`change_id`);--> statement-breakpoint
CREATE INDEX `change_subjects_by_change` ON `change_subjects` (`change_id`);--> statement-breakpoint
CREATE TABLE `courses` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`title` text NOT NULL,
	`subject` text,
	`sourced_id` text,
	`extra` text,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `courses_by_school` ON `courses` (`school_id`);--> statement-breakpoint
CREATE TABLE `roles` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`school_id` text NOT NULL,
	`role` text NOT NULL,
	`from_day` text,
	`until_day` text,
	`sourced_id` text,
	`extra` text,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `roles_by_person` ON `roles` (`person_id`);--> statement-breakpoint
CREATE INDEX `roles_by_school` ON `roles` (`school_id`);--> statement-breakpoint
CREATE TABLE `group_shares` (
	`id` text PRIMARY KEY NOT NULL,
	`group_id` text NOT NULL,
	`person_id` text NOT NULL,
	`until_day` text,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `group_shares_by_group` ON `group_shares` (`group_id`);--> statement-breakpoint
CREATE INDEX `group_shares_by_person` ON `group_shares` (`person_id`);--> statement-breakpoint
CREATE TABLE `erasures` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`person_id` text NOT NULL,
	`reason` text NOT NULL,
	`requested_by` text NOT NULL,
	`requested_at` integer NOT NULL,
	`decided_by` text,
	`decided_at` integer,
	`outcome` text,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`requested_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`decided_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `erasures_by_school` ON `erasures` (`school_id`);--> statement-breakpoint
CREATE TABLE `interests` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`interest` text NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `interests_by_person` ON `interests` (`person_id`);--> statement-breakpoint
CREATE TABLE `supports` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`time_factor` real DEFAULT 1 NOT NULL,
	`read_aloud` integer DEFAULT false NOT NULL,
	`larger_text` integer DEFAULT false NOT NULL,
	`item_share` real DEFAULT 1 NOT NULL,
	`separate_setting` integer DEFAULT false NOT NULL,
	`home_language` text DEFAULT '' NOT NULL,
	`leave_out_of_tests` integer DEFAULT false NOT NULL,
	`leave_out_reason` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `supports_person_id_unique` ON `supports` (`person_id`);--> statement-breakpoint
DROP INDEX `class_staff_once`;--> statement-breakpoint
ALTER TABLE `class_staff` ADD `from_day` text;--> statement-breakpoint
ALTER TABLE `class_staff` ADD `until_day` text;--> statement-breakpoint
ALTER TABLE `class_staff` ADD `sourced_id` text;--> statement-breakpoint
ALTER TABLE `class_staff` ADD `extra` text;--> statement-breakpoint
CREATE INDEX `class_staff_by_class` ON `class_staff` (`class_id`);--> statement-breakpoint
DROP INDEX `group_members_once`;--> statement-breakpoint
CREATE INDEX `group_members_by_group` ON `group_members` (`group_id`);--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_changes` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`class_id` text,
	`actor_id` text,
	`at` integer NOT NULL,
	`area` text NOT NULL,
	`kind` text NOT NULL,
	`summary` text NOT NULL,
	`undoes` text,
	`undoable` integer NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`actor_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_changes`("id", "school_id", "class_id", "actor_id", "at", "area", "kind", "summary", "undoes", "undoable")
SELECT "id", "school_id", "class_id", "actor_id", "at",
	CASE "kind" WHEN 'roster-import' THEN 'roster' WHEN 'new-pins' THEN 'rights' WHEN 'groups' THEN 'groups' WHEN 'reteach' THEN 'groups' ELSE 'work' END,
	"kind", "summary", NULL, "rows" <> '[]'
FROM `changes`;--> statement-breakpoint
INSERT INTO `__new_changes`("id", "school_id", "class_id", "actor_id", "at", "area", "kind", "summary", "undoes", "undoable")
SELECT "id" || '-undone', "school_id", "class_id", "actor_id", "undone_at",
	CASE "kind" WHEN 'roster-import' THEN 'roster' WHEN 'groups' THEN 'groups' WHEN 'reteach' THEN 'groups' ELSE 'work' END,
	'undo', 'Undone: ' || "summary", "id", 0
FROM `changes` WHERE "undone_at" IS NOT NULL;--> statement-breakpoint
INSERT INTO `change_rows`("id", "change_id", "place", "rows")
SELECT "id" || '-0', "id", 0,
	(SELECT json_group_array(json(each.value)) FROM json_each(`changes`."rows") AS each WHERE json_extract(each.value, '$.table') <> 'rosterDrafts')
FROM `changes` WHERE "rows" <> '[]';--> statement-breakpoint
INSERT INTO `change_subjects`("id", "change_id", "subject_id") SELECT "id" || '-class', "id", "class_id" FROM `changes` WHERE "class_id" IS NOT NULL;--> statement-breakpoint
DROP TABLE `changes`;--> statement-breakpoint
ALTER TABLE `__new_changes` RENAME TO `changes`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `changes_by_class` ON `changes` (`class_id`,`id`);--> statement-breakpoint
CREATE INDEX `changes_by_school` ON `changes` (`school_id`,`id`);--> statement-breakpoint
CREATE INDEX `changes_by_undone` ON `changes` (`undoes`);--> statement-breakpoint
CREATE TABLE `__new_groups` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`class_id` text NOT NULL,
	`owner_id` text NOT NULL,
	`name` text NOT NULL,
	`label` text NOT NULL,
	`purpose` text DEFAULT '' NOT NULL,
	`subject` text NOT NULL,
	`skill_id` text,
	`because` text NOT NULL,
	`from_day` text NOT NULL,
	`until_day` text,
	`slots` text NOT NULL,
	`created_at` integer NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_groups`("id", "school_id", "class_id", "owner_id", "name", "label", "purpose", "subject", "skill_id", "because", "from_day", "until_day", "slots", "created_at", "archived_at")
SELECT g."id", c."school_id", g."class_id", g."owner_id", g."name", upper(substr(g."name", 1, 2)), 'Reteach', c."subject", g."skill_id", g."because",
	date(g."created_at" / 1000, 'unixepoch'), NULL, '[]', g."created_at", g."archived_at"
FROM `groups` g JOIN `classes` c ON c."id" = g."class_id";--> statement-breakpoint
DROP TABLE `groups`;--> statement-breakpoint
ALTER TABLE `__new_groups` RENAME TO `groups`;--> statement-breakpoint
CREATE INDEX `groups_by_class` ON `groups` (`class_id`);--> statement-breakpoint
CREATE INDEX `groups_by_owner` ON `groups` (`owner_id`);--> statement-breakpoint
DROP TABLE `roster_drafts`;--> statement-breakpoint
CREATE TABLE `roster_drafts` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`school_id` text NOT NULL,
	`kind` text NOT NULL,
	`class_id` text,
	`new_class_name` text,
	`new_class_grade` integer,
	`file_name` text NOT NULL,
	`bytes` blob NOT NULL,
	`mapping` text NOT NULL,
	`repairs` text NOT NULL,
	`links` text NOT NULL,
	`make_classes` integer DEFAULT false NOT NULL,
	`created_at` integer NOT NULL,
	`applied_at` integer,
	`change_id` text,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `classes` ADD `kind` text DEFAULT 'scheduled' NOT NULL;--> statement-breakpoint
ALTER TABLE `classes` ADD `course_id` text REFERENCES courses(id);--> statement-breakpoint
ALTER TABLE `classes` ADD `until_day` text;--> statement-breakpoint
ALTER TABLE `classes` ADD `sourced_id` text;--> statement-breakpoint
ALTER TABLE `classes` ADD `extra` text;--> statement-breakpoint
ALTER TABLE `credentials` ADD `kind` text DEFAULT 'number' NOT NULL;--> statement-breakpoint
ALTER TABLE `credentials` ADD `card_hash` text;--> statement-breakpoint
ALTER TABLE `credentials` ADD `totp_secret` text;--> statement-breakpoint
ALTER TABLE `credentials` ADD `totp_confirmed_at` integer;--> statement-breakpoint
ALTER TABLE `credentials` ADD `totp_last_step` integer;--> statement-breakpoint
CREATE UNIQUE INDEX `credentials_card_hash_unique` ON `credentials` (`card_hash`);--> statement-breakpoint
ALTER TABLE `enrollments` ADD `sourced_id` text;--> statement-breakpoint
ALTER TABLE `enrollments` ADD `extra` text;--> statement-breakpoint
ALTER TABLE `people` ADD `username` text;--> statement-breakpoint
ALTER TABLE `people` ADD `birth_year` integer;--> statement-breakpoint
ALTER TABLE `people` ADD `sourced_id` text;--> statement-breakpoint
ALTER TABLE `people` ADD `extra` text;--> statement-breakpoint
ALTER TABLE `people` ADD `erased_at` integer;--> statement-breakpoint
CREATE INDEX `people_by_source` ON `people` (`sourced_id`);--> statement-breakpoint
ALTER TABLE `schools` ADD `kind` text DEFAULT 'school' NOT NULL;--> statement-breakpoint
ALTER TABLE `schools` ADD `parent_id` text;--> statement-breakpoint
ALTER TABLE `schools` ADD `sourced_id` text;--> statement-breakpoint
ALTER TABLE `schools` ADD `extra` text;--> statement-breakpoint
ALTER TABLE `schools` ADD `archived_at` integer;--> statement-breakpoint
ALTER TABLE `schools` ADD `staff_idle_minutes` integer DEFAULT 120 NOT NULL;--> statement-breakpoint
ALTER TABLE `schools` ADD `student_idle_minutes` integer DEFAULT 40 NOT NULL;--> statement-breakpoint
ALTER TABLE `schools` ADD `keep_years` integer DEFAULT 3 NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `last_seen_at` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `by` text DEFAULT 'password' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `device` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `terms` ADD `kind` text DEFAULT 'term' NOT NULL;--> statement-breakpoint
ALTER TABLE `terms` ADD `parent_id` text;--> statement-breakpoint
ALTER TABLE `terms` ADD `school_year` integer;--> statement-breakpoint
ALTER TABLE `terms` ADD `sourced_id` text;--> statement-breakpoint
ALTER TABLE `terms` ADD `extra` text;--> statement-breakpoint
ALTER TABLE `terms` ADD `closed_at` integer;--> statement-breakpoint
ALTER TABLE `terms` ADD `archived_at` integer;--> statement-breakpoint
CREATE TABLE `erased_totals` (
	`school_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`model_id` text NOT NULL,
	`answered` integer NOT NULL,
	`right` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	PRIMARY KEY(`school_id`, `skill_id`, `model_id`),
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `credentials` DROP COLUMN `failed_tries`;--> statement-breakpoint
INSERT INTO `courses`("id", "school_id", "title", "subject") SELECT DISTINCT 'course-' || "school_id" || '-' || "subject", "school_id", "subject", "subject" FROM `classes`;--> statement-breakpoint
UPDATE `classes` SET `course_id` = 'course-' || "school_id" || '-' || "subject";--> statement-breakpoint
UPDATE `credentials` SET `kind` = 'password' WHERE `person_id` IN (SELECT `id` FROM `people` WHERE `kind` = 'staff');--> statement-breakpoint
INSERT INTO `roles`("id", "person_id", "school_id", "role") SELECT 'role-' || "id", "id", "school_id", CASE "kind" WHEN 'staff' THEN 'teacher' ELSE 'student' END FROM `people`;--> statement-breakpoint
CREATE TRIGGER `changes_are_never_changed` BEFORE UPDATE ON `changes` BEGIN SELECT RAISE(ABORT, 'The history is only ever added to.'); END;--> statement-breakpoint
CREATE TRIGGER `changes_are_never_deleted` BEFORE DELETE ON `changes` BEGIN SELECT RAISE(ABORT, 'The history is only ever added to.'); END;
