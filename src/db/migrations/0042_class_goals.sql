CREATE TABLE `class_goals` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`aim` text NOT NULL,
	`unit` text,
	`target` integer,
	`level` text,
	`skill_ids` text,
	`from_day` text NOT NULL,
	`until_day` text NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `class_goals_by_class` ON `class_goals` (`class_id`,`until_day`);