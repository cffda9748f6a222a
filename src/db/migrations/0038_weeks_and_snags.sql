CREATE TABLE `week_expectations` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`minutes` integer NOT NULL,
	`pieces` integer NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `week_expectations_once` ON `week_expectations` (`class_id`);--> statement-breakpoint
ALTER TABLE `skill_states` ADD `snag_times` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `skill_states` SET `snag_times` = 1 WHERE `snag_day` IS NOT NULL;
