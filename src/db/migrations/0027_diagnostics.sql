CREATE TABLE `placements` (
	`sitting_id` text NOT NULL,
	`person_id` text NOT NULL,
	`strand_id` text NOT NULL,
	`theta` real NOT NULL,
	`se` real NOT NULL,
	`placed_at` integer NOT NULL,
	PRIMARY KEY(`sitting_id`, `strand_id`),
	FOREIGN KEY (`sitting_id`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `placements_by_person` ON `placements` (`person_id`,`placed_at`);--> statement-breakpoint
ALTER TABLE `scores` ADD `start_theta` real;--> statement-breakpoint
ALTER TABLE `scores` ADD `start_se` real;--> statement-breakpoint
ALTER TABLE `sitting_items` ADD `set_aside` integer DEFAULT false NOT NULL;