CREATE TABLE `pointers` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`from_id` text NOT NULL,
	`to_id` text NOT NULL,
	`path` text NOT NULL,
	`sentence` text NOT NULL,
	`day` text NOT NULL,
	`at` integer NOT NULL,
	`done_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`from_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`to_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `pointers_by_school` ON `pointers` (`school_id`);--> statement-breakpoint
CREATE INDEX `pointers_by_sender` ON `pointers` (`from_id`,`at`);--> statement-breakpoint
CREATE INDEX `pointers_by_receiver` ON `pointers` (`to_id`,`done_at`);