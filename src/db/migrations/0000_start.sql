CREATE TABLE `answers` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`person_id` text NOT NULL,
	`work_id` text NOT NULL,
	`sitting_id` text NOT NULL,
	`presentation_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`model_id` text NOT NULL,
	`model_version` integer NOT NULL,
	`seed` integer NOT NULL,
	`context` text NOT NULL,
	`try_number` integer NOT NULL,
	`raw` text NOT NULL,
	`right` integer NOT NULL,
	`misconception_id` text,
	`hints_used` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	`given_at` integer NOT NULL,
	`recorded_at` integer NOT NULL,
	`day` integer NOT NULL,
	`grade` integer NOT NULL,
	`skill_difficulty` real NOT NULL,
	`a` real NOT NULL,
	`b` real NOT NULL,
	`c` real NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting_id`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`misconception_id`) REFERENCES `misconceptions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `answers_key_unique` ON `answers` (`key`);--> statement-breakpoint
CREATE INDEX `answers_by_person_skill` ON `answers` (`person_id`,`skill_id`,`serial`);--> statement-breakpoint
CREATE INDEX `answers_by_sitting` ON `answers` (`sitting_id`,`serial`);--> statement-breakpoint
CREATE TABLE `misconception_signs` (
	`person_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`misconception_id` text NOT NULL,
	`times` integer NOT NULL,
	`last_day` integer NOT NULL,
	PRIMARY KEY(`person_id`, `skill_id`, `misconception_id`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`misconception_id`) REFERENCES `misconceptions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `sittings` (
	`id` text PRIMARY KEY NOT NULL,
	`work_id` text NOT NULL,
	`person_id` text NOT NULL,
	`started_at` integer NOT NULL,
	`last_at` integer NOT NULL,
	`finished_at` integer,
	`finish_reason` text,
	`items_done` integer DEFAULT 0 NOT NULL,
	`items_right` integer DEFAULT 0 NOT NULL,
	`progress_permille` integer DEFAULT 0 NOT NULL,
	`chances_at_start` text NOT NULL,
	`presentations` text NOT NULL,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sittings_once` ON `sittings` (`work_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `sittings_by_person` ON `sittings` (`person_id`);--> statement-breakpoint
CREATE TABLE `skill_days` (
	`person_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`day` integer NOT NULL,
	`answered` integer NOT NULL,
	`right` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	PRIMARY KEY(`person_id`, `skill_id`, `day`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `skill_states` (
	`person_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`mastery` real NOT NULL,
	`prior` real NOT NULL,
	`scored_answers` integer NOT NULL,
	`right_first_tries` integer NOT NULL,
	`model_ids` text NOT NULL,
	`last_day` integer NOT NULL,
	`stability_days` real NOT NULL,
	`mastered_day` integer,
	`misses_in_row` integer NOT NULL,
	PRIMARY KEY(`person_id`, `skill_id`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `changes` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`class_id` text,
	`actor_id` text NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`summary` text NOT NULL,
	`rows` text NOT NULL,
	`undone_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`actor_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `changes_by_class` ON `changes` (`class_id`,`at`);--> statement-breakpoint
CREATE INDEX `changes_by_school` ON `changes` (`school_id`,`at`);--> statement-breakpoint
CREATE TABLE `roster_drafts` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`class_id` text,
	`new_class_name` text,
	`new_class_grade` integer,
	`file_name` text NOT NULL,
	`headers` text NOT NULL,
	`rows` text NOT NULL,
	`notes` text NOT NULL,
	`mapping` text NOT NULL,
	`created_at` integer NOT NULL,
	`applied_at` integer,
	`change_id` text,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `frameworks` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `item_models` (
	`id` text NOT NULL,
	`version` integer NOT NULL,
	`skill_id` text NOT NULL,
	`model` text NOT NULL,
	`retired_at` integer,
	PRIMARY KEY(`id`, `version`),
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `item_models_by_skill` ON `item_models` (`skill_id`);--> statement-breakpoint
CREATE TABLE `misconceptions` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`explanation` text NOT NULL,
	`feedback` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `skill_links` (
	`from_id` text NOT NULL,
	`to_id` text NOT NULL,
	`kind` text NOT NULL,
	PRIMARY KEY(`from_id`, `to_id`, `kind`),
	FOREIGN KEY (`from_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`to_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `skills` (
	`id` text PRIMARY KEY NOT NULL,
	`standard_id` text NOT NULL,
	`name` text NOT NULL,
	`student_name` text NOT NULL,
	`grade` integer NOT NULL,
	`difficulty` real NOT NULL,
	`place` integer NOT NULL,
	`lesson` text NOT NULL,
	`reteach` text NOT NULL,
	FOREIGN KEY (`standard_id`) REFERENCES `standards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `standards` (
	`id` text PRIMARY KEY NOT NULL,
	`framework_id` text NOT NULL,
	`strand` text NOT NULL,
	`grade` integer NOT NULL,
	`code` text NOT NULL,
	`statement` text NOT NULL,
	FOREIGN KEY (`framework_id`) REFERENCES `frameworks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `class_staff` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`person_id` text NOT NULL,
	`role` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `class_staff_once` ON `class_staff` (`class_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `class_staff_by_person` ON `class_staff` (`person_id`);--> statement-breakpoint
CREATE TABLE `classes` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`term_id` text NOT NULL,
	`name` text NOT NULL,
	`subject` text NOT NULL,
	`grade` integer NOT NULL,
	`code` text NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`term_id`) REFERENCES `terms`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `classes_code_unique` ON `classes` (`code`);--> statement-breakpoint
CREATE INDEX `classes_by_school` ON `classes` (`school_id`);--> statement-breakpoint
CREATE TABLE `credentials` (
	`person_id` text PRIMARY KEY NOT NULL,
	`secret_hash` text NOT NULL,
	`failed_tries` integer DEFAULT 0 NOT NULL,
	`locked_until` integer,
	`last_sign_in_at` integer,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `enrollments` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`person_id` text NOT NULL,
	`from_day` text NOT NULL,
	`until_day` text,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `enrollments_by_class` ON `enrollments` (`class_id`);--> statement-breakpoint
CREATE INDEX `enrollments_by_person` ON `enrollments` (`person_id`);--> statement-breakpoint
CREATE TABLE `holidays` (
	`school_id` text NOT NULL,
	`day` text NOT NULL,
	`name` text NOT NULL,
	PRIMARY KEY(`school_id`, `day`),
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`kind` text NOT NULL,
	`given_name` text NOT NULL,
	`family_name` text NOT NULL,
	`student_number` text,
	`grade` integer,
	`email` text,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_by_number` ON `people` (`school_id`,`student_number`);--> statement-breakpoint
CREATE UNIQUE INDEX `people_by_email` ON `people` (`school_id`,`email`);--> statement-breakpoint
CREATE TABLE `schools` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`time_zone` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`created_at` integer NOT NULL,
	`expires_at` integer NOT NULL,
	`revoked_at` integer,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `sessions_by_person` ON `sessions` (`person_id`);--> statement-breakpoint
CREATE TABLE `terms` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`name` text NOT NULL,
	`start_day` text NOT NULL,
	`end_day` text NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `plan_entries` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`place` integer NOT NULL,
	`from_day` text NOT NULL,
	`target_day` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plan_entries_once` ON `plan_entries` (`class_id`,`skill_id`);--> statement-breakpoint
CREATE TABLE `group_members` (
	`id` text PRIMARY KEY NOT NULL,
	`group_id` text NOT NULL,
	`person_id` text NOT NULL,
	`from_day` text NOT NULL,
	`until_day` text,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `group_members_once` ON `group_members` (`group_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `group_members_by_person` ON `group_members` (`person_id`);--> statement-breakpoint
CREATE TABLE `groups` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`owner_id` text NOT NULL,
	`name` text NOT NULL,
	`skill_id` text NOT NULL,
	`because` text NOT NULL,
	`created_at` integer NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `groups_by_class` ON `groups` (`class_id`);--> statement-breakpoint
CREATE TABLE `reteach_baselines` (
	`id` text PRIMARY KEY NOT NULL,
	`reteach_id` text NOT NULL,
	`person_id` text NOT NULL,
	`chance` real NOT NULL,
	FOREIGN KEY (`reteach_id`) REFERENCES `reteaches`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `reteach_baselines_once` ON `reteach_baselines` (`reteach_id`,`person_id`);--> statement-breakpoint
CREATE TABLE `reteaches` (
	`id` text PRIMARY KEY NOT NULL,
	`group_id` text NOT NULL,
	`practice_work_id` text NOT NULL,
	`check_work_id` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`practice_work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`check_work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `reteaches_by_group` ON `reteaches` (`group_id`);--> statement-breakpoint
CREATE TABLE `work_skills` (
	`id` text PRIMARY KEY NOT NULL,
	`work_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`place` integer NOT NULL,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `work_skills_once` ON `work_skills` (`work_id`,`skill_id`);--> statement-breakpoint
CREATE TABLE `work_targets` (
	`id` text PRIMARY KEY NOT NULL,
	`work_id` text NOT NULL,
	`person_id` text NOT NULL,
	`extra_items` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `work_targets_once` ON `work_targets` (`work_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `work_targets_by_person` ON `work_targets` (`person_id`);--> statement-breakpoint
CREATE TABLE `works` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`instructions` text NOT NULL,
	`opens_at` integer NOT NULL,
	`due_at` integer NOT NULL,
	`budget_items` integer NOT NULL,
	`created_by` text NOT NULL,
	`created_at` integer NOT NULL,
	`withdrawn_at` integer,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`created_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `works_by_class` ON `works` (`class_id`,`created_at`);