CREATE TABLE `unit_skills` (
	`unit_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`place` integer NOT NULL,
	PRIMARY KEY(`unit_id`, `skill_id`),
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `unit_skills_by_skill` ON `unit_skills` (`skill_id`);--> statement-breakpoint
CREATE TABLE `units` (
	`id` text PRIMARY KEY NOT NULL,
	`subject_id` text NOT NULL,
	`grade` integer NOT NULL,
	`place` integer NOT NULL,
	`name` text NOT NULL,
	`weeks` integer NOT NULL,
	`guide` text NOT NULL,
	`retired_at` integer,
	FOREIGN KEY (`subject_id`) REFERENCES `subjects`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `units_by_subject` ON `units` (`subject_id`,`place`);