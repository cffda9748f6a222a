CREATE TABLE `notes` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`person_id` text NOT NULL,
	`about` text NOT NULL,
	`about_id` text NOT NULL,
	`text` text NOT NULL,
	`shared` integer NOT NULL,
	`changed_at` integer NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `notes_once` ON `notes` (`about`,`about_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `notes_by_person` ON `notes` (`person_id`);--> statement-breakpoint
CREATE INDEX `notes_by_school` ON `notes` (`school_id`);