CREATE TABLE `student_goals` (
	`person_id` text PRIMARY KEY NOT NULL,
	`days_a_week` integer NOT NULL,
	`set_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_lesson_visits` (
	`key` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`sitting_id` text,
	`skill_id` text NOT NULL,
	`opened_at` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	`model_milliseconds` integer NOT NULL,
	`model_moves` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting_id`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_lesson_visits`("key", "person_id", "sitting_id", "skill_id", "opened_at", "milliseconds", "model_milliseconds", "model_moves") SELECT "key", "person_id", "sitting_id", "skill_id", "opened_at", "milliseconds", "model_milliseconds", "model_moves" FROM `lesson_visits`;--> statement-breakpoint
DROP TABLE `lesson_visits`;--> statement-breakpoint
ALTER TABLE `__new_lesson_visits` RENAME TO `lesson_visits`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `lesson_visits_by_person` ON `lesson_visits` (`person_id`,`skill_id`);--> statement-breakpoint
CREATE INDEX `lesson_visits_by_sitting` ON `lesson_visits` (`sitting_id`);--> statement-breakpoint
CREATE INDEX `lesson_visits_by_skill` ON `lesson_visits` (`skill_id`);--> statement-breakpoint
ALTER TABLE `assignments` ADD `is_own_choice` integer DEFAULT false NOT NULL;