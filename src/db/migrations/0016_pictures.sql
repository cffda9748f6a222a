CREATE TABLE `pictures` (
	`hash` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`added_at` integer NOT NULL,
	`added_by` text,
	FOREIGN KEY (`added_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `pictures_by_person` ON `pictures` (`added_by`);