CREATE TABLE `lesson_visits` (
	`key` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`sitting_id` text NOT NULL,
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
CREATE INDEX `lesson_visits_by_person` ON `lesson_visits` (`person_id`,`skill_id`);--> statement-breakpoint
CREATE INDEX `lesson_visits_by_sitting` ON `lesson_visits` (`sitting_id`);--> statement-breakpoint
CREATE INDEX `lesson_visits_by_skill` ON `lesson_visits` (`skill_id`);