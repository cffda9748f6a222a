CREATE TABLE `plan_rights` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`person_id` text,
	`school_id` text,
	`level` text NOT NULL,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `plan_rights_by_plan` ON `plan_rights` (`plan_id`);--> statement-breakpoint
CREATE INDEX `plan_rights_by_person` ON `plan_rights` (`person_id`);--> statement-breakpoint
CREATE INDEX `plan_rights_by_school` ON `plan_rights` (`school_id`);--> statement-breakpoint
CREATE TABLE `plan_starts` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`person_id` text NOT NULL,
	`slot_id` text NOT NULL,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plan_starts_once` ON `plan_starts` (`plan_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `plan_starts_by_person` ON `plan_starts` (`person_id`);--> statement-breakpoint
CREATE TABLE `plan_works` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`assignment_id` text NOT NULL,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plan_works_once` ON `plan_works` (`plan_id`,`skill_id`);--> statement-breakpoint
CREATE UNIQUE INDEX `plan_works_by_assignment` ON `plan_works` (`assignment_id`);--> statement-breakpoint
CREATE INDEX `plan_works_by_skill` ON `plan_works` (`skill_id`);--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_assignments` (
	`id` text PRIMARY KEY NOT NULL,
	`work_id` text NOT NULL,
	`class_id` text NOT NULL,
	`group_id` text,
	`given_by` text NOT NULL,
	`given_at` integer NOT NULL,
	`opens_at` integer NOT NULL,
	`due_at` integer,
	`withdrawn_at` integer,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`given_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_assignments`("id", "work_id", "class_id", "group_id", "given_by", "given_at", "opens_at", "due_at", "withdrawn_at") SELECT "id", "work_id", "class_id", "group_id", "given_by", "given_at", "opens_at", "due_at", "withdrawn_at" FROM `assignments`;--> statement-breakpoint
DROP TABLE `assignments`;--> statement-breakpoint
ALTER TABLE `__new_assignments` RENAME TO `assignments`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `assignments_by_class` ON `assignments` (`class_id`,`given_at`);--> statement-breakpoint
CREATE INDEX `assignments_by_work` ON `assignments` (`work_id`);--> statement-breakpoint
CREATE INDEX `assignments_by_group` ON `assignments` (`group_id`);--> statement-breakpoint
CREATE INDEX `assignments_by_giver` ON `assignments` (`given_by`);--> statement-breakpoint
ALTER TABLE `schools` ADD `networks` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `plan_entries` ADD `counted` integer DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE `plans` ADD `run_by` text REFERENCES people(id);--> statement-breakpoint
CREATE INDEX `plans_by_runner` ON `plans` (`run_by`);--> statement-breakpoint
ALTER TABLE `plans` DROP COLUMN `runs_itself`;