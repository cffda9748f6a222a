CREATE TABLE `further_tries` (
	`id` text PRIMARY KEY NOT NULL,
	`target_id` text NOT NULL,
	`part_id` text NOT NULL,
	`attempt` integer NOT NULL,
	`form` text NOT NULL,
	`granted_by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`target_id`) REFERENCES `assignment_targets`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`granted_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `further_tries_once` ON `further_tries` (`target_id`,`part_id`,`attempt`);--> statement-breakpoint
CREATE INDEX `further_tries_by_part` ON `further_tries` (`part_id`);--> statement-breakpoint
CREATE INDEX `further_tries_by_granter` ON `further_tries` (`granted_by`);--> statement-breakpoint
ALTER TABLE `assignments` ADD `retake` text DEFAULT 'latest' NOT NULL;