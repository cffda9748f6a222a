CREATE TABLE `unfinished_changes` (
	`change_id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`direction` text NOT NULL,
	`pieces` integer NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`change_id`) REFERENCES `changes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `unfinished_changes_by_school` ON `unfinished_changes` (`school_id`);