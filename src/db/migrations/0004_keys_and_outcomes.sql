CREATE TABLE `revisions` (
	`id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `reteach_students` (
	`id` text PRIMARY KEY NOT NULL,
	`reteach_id` text NOT NULL,
	`person_id` text NOT NULL,
	`chance_before` real NOT NULL,
	`judged_day` text,
	`chance_after` real,
	`check_right` integer,
	`check_items` integer,
	`verdict` text,
	FOREIGN KEY (`reteach_id`) REFERENCES `reteaches`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `reteach_students_once` ON `reteach_students` (`reteach_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `reteach_students_by_person` ON `reteach_students` (`person_id`);--> statement-breakpoint
CREATE TABLE `__new_reteaches` (
	`id` text PRIMARY KEY NOT NULL,
	`group_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`practice_work_id` text NOT NULL,
	`check_work_id` text NOT NULL,
	`assigned_day` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`practice_work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`check_work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_reteaches` SELECT r.`id`, r.`group_id`, (SELECT ws.`skill_id` FROM `work_skills` ws WHERE ws.`work_id` = r.`check_work_id` ORDER BY ws.`place` LIMIT 1), r.`practice_work_id`, r.`check_work_id`, date(r.`created_at` / 1000, 'unixepoch'), r.`created_at` FROM `reteaches` r;--> statement-breakpoint
INSERT INTO `reteach_students` (`id`, `reteach_id`, `person_id`, `chance_before`) SELECT `id`, `reteach_id`, `person_id`, `chance` FROM `reteach_baselines`;--> statement-breakpoint
DROP TABLE `reteach_baselines`;--> statement-breakpoint
DROP TABLE `reteaches`;--> statement-breakpoint
ALTER TABLE `__new_reteaches` RENAME TO `reteaches`;--> statement-breakpoint
CREATE INDEX `reteaches_by_group` ON `reteaches` (`group_id`);--> statement-breakpoint
CREATE INDEX `reteaches_by_skill` ON `reteaches` (`skill_id`);--> statement-breakpoint
CREATE INDEX `reteaches_by_practice` ON `reteaches` (`practice_work_id`);--> statement-breakpoint
CREATE UNIQUE INDEX `reteaches_by_check` ON `reteaches` (`check_work_id`);--> statement-breakpoint
CREATE INDEX `password_resets_by_person` ON `password_resets` (`person_id`);--> statement-breakpoint
CREATE INDEX `answers_by_work` ON `answers` (`work_id`);--> statement-breakpoint
CREATE INDEX `answers_by_skill` ON `answers` (`skill_id`);--> statement-breakpoint
CREATE INDEX `answers_by_misconception` ON `answers` (`misconception_id`);--> statement-breakpoint
CREATE INDEX `misconception_signs_by_skill` ON `misconception_signs` (`skill_id`);--> statement-breakpoint
CREATE INDEX `misconception_signs_by_misconception` ON `misconception_signs` (`misconception_id`);--> statement-breakpoint
CREATE INDEX `skill_days_by_skill` ON `skill_days` (`skill_id`);--> statement-breakpoint
CREATE INDEX `skill_days_by_day` ON `skill_days` (`person_id`,`day`);--> statement-breakpoint
CREATE INDEX `skill_states_by_skill` ON `skill_states` (`skill_id`);--> statement-breakpoint
CREATE INDEX `changes_by_actor` ON `changes` (`actor_id`);--> statement-breakpoint
CREATE INDEX `roster_drafts_by_owner` ON `roster_drafts` (`owner_id`);--> statement-breakpoint
CREATE INDEX `roster_drafts_by_school` ON `roster_drafts` (`school_id`);--> statement-breakpoint
CREATE INDEX `skill_links_by_to` ON `skill_links` (`to_id`);--> statement-breakpoint
CREATE INDEX `skills_by_standard` ON `skills` (`standard_id`);--> statement-breakpoint
CREATE INDEX `standards_by_framework` ON `standards` (`framework_id`);--> statement-breakpoint
CREATE INDEX `classes_by_term` ON `classes` (`term_id`);--> statement-breakpoint
CREATE INDEX `classes_by_course` ON `classes` (`course_id`);--> statement-breakpoint
CREATE INDEX `people_by_address` ON `people` (`email`);--> statement-breakpoint
CREATE INDEX `terms_by_school` ON `terms` (`school_id`);--> statement-breakpoint
CREATE INDEX `plan_entries_by_skill` ON `plan_entries` (`skill_id`);--> statement-breakpoint
CREATE INDEX `groups_by_school` ON `groups` (`school_id`);--> statement-breakpoint
CREATE INDEX `groups_by_skill` ON `groups` (`skill_id`);--> statement-breakpoint
CREATE INDEX `erasures_by_person` ON `erasures` (`person_id`);--> statement-breakpoint
CREATE INDEX `erasures_by_asker` ON `erasures` (`requested_by`);--> statement-breakpoint
CREATE INDEX `erasures_by_decider` ON `erasures` (`decided_by`);--> statement-breakpoint
CREATE INDEX `work_skills_by_skill` ON `work_skills` (`skill_id`);--> statement-breakpoint
CREATE INDEX `works_by_author` ON `works` (`created_by`);--> statement-breakpoint
UPDATE `reteach_students` SET (`judged_day`, `chance_after`, `check_right`, `check_items`) = (SELECT date(t.`finished_at` / 1000, 'unixepoch'), coalesce(k.`mastery`, `reteach_students`.`chance_before`), t.`items_right`, t.`items_done` FROM `reteaches` r JOIN `sittings` t ON t.`work_id` = r.`check_work_id` AND t.`person_id` = `reteach_students`.`person_id` LEFT JOIN `skill_states` k ON k.`person_id` = t.`person_id` AND k.`skill_id` = r.`skill_id` WHERE r.`id` = `reteach_students`.`reteach_id` AND t.`finished_at` IS NOT NULL AND t.`items_done` > 0);--> statement-breakpoint
UPDATE `reteach_students` SET `verdict` = CASE WHEN `check_right` >= 0.75 * `check_items` AND `chance_after` >= 0.8 THEN 'learned' WHEN `chance_after` - `chance_before` >= 0.15 THEN 'closer' ELSE 'round-again' END WHERE `judged_day` IS NOT NULL;--> statement-breakpoint
UPDATE `change_rows` SET `rows` = replace(replace(`rows`, '"table":"reteachBaselines"', '"table":"reteachStudents"'), '"chance":', '"chanceBefore":') WHERE instr(`rows`, '"table":"reteachBaselines"') > 0;
