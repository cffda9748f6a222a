CREATE TABLE `item_originals` (
	`id` text PRIMARY KEY NOT NULL,
	`version_id` text NOT NULL,
	`file_name` text NOT NULL,
	`document` text NOT NULL,
	`remarks` text NOT NULL,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `item_originals_version_id_unique` ON `item_originals` (`version_id`);--> statement-breakpoint
CREATE TABLE `library_drafts` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`school_id` text NOT NULL,
	`kind` text NOT NULL,
	`bank_id` text,
	`skill_id` text,
	`file_name` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` integer NOT NULL,
	`applied_at` integer,
	`change_id` text,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`bank_id`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `library_drafts_by_owner` ON `library_drafts` (`owner_id`);--> statement-breakpoint
DROP INDEX `items_by_bank`;--> statement-breakpoint
ALTER TABLE `items` ADD `outside_id` text;--> statement-breakpoint
CREATE INDEX `items_by_bank` ON `items` (`bank_id`,`outside_id`);