CREATE TABLE `calibrations` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`bank_id` text,
	`by_id` text NOT NULL,
	`model` text NOT NULL,
	`started_at` integer NOT NULL,
	`heard_at` integer NOT NULL,
	`done_skills` integer NOT NULL,
	`of_skills` integer NOT NULL,
	`result` text,
	`failed_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`bank_id`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `calibrations_by_bank` ON `calibrations` (`bank_id`,`started_at`);--> statement-breakpoint
CREATE INDEX `calibrations_by_school` ON `calibrations` (`school_id`);--> statement-breakpoint
CREATE INDEX `calibrations_by_person` ON `calibrations` (`by_id`);