CREATE TABLE `standing_answers` (
	`sitting_item_id` text PRIMARY KEY NOT NULL,
	`key` text NOT NULL,
	`response` text NOT NULL,
	`screen` text,
	`flagged` integer NOT NULL,
	`hints_used` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	`given_at` integer NOT NULL,
	`recorded_at` integer NOT NULL,
	`witness` text NOT NULL,
	`late_claim` integer NOT NULL,
	`device_clock` integer,
	FOREIGN KEY (`sitting_item_id`) REFERENCES `sitting_items`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `standing_answers_key_unique` ON `standing_answers` (`key`);--> statement-breakpoint
CREATE TABLE `completions` (
	`target_id` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`target_id`) REFERENCES `assignment_targets`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `part_openings` (
	`id` text PRIMARY KEY NOT NULL,
	`target_id` text NOT NULL,
	`part_id` text NOT NULL,
	`opened_by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`target_id`) REFERENCES `assignment_targets`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`opened_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `part_openings_once` ON `part_openings` (`target_id`,`part_id`);--> statement-breakpoint
CREATE INDEX `part_openings_by_part` ON `part_openings` (`part_id`);--> statement-breakpoint
CREATE INDEX `part_openings_by_opener` ON `part_openings` (`opened_by`);--> statement-breakpoint
CREATE TABLE `releases` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`what` text NOT NULL,
	`released_by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`released_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `releases_once` ON `releases` (`assignment_id`,`what`);--> statement-breakpoint
CREATE INDEX `releases_by_releaser` ON `releases` (`released_by`);--> statement-breakpoint
DROP INDEX `part_items_by_part`;--> statement-breakpoint
ALTER TABLE `part_items` ADD `form` text DEFAULT 'A' NOT NULL;--> statement-breakpoint
ALTER TABLE `part_items` ADD `points` integer;--> statement-breakpoint
CREATE UNIQUE INDEX `part_items_by_part` ON `part_items` (`part_id`,`form`,`place`);--> statement-breakpoint
ALTER TABLE `sitting_items` ADD `points` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `sittings` ADD `ends_at` integer;--> statement-breakpoint
CREATE INDEX `sittings_by_end` ON `sittings` (`ends_at`) WHERE ends_at is not null and finished_at is null;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `extra_minutes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `form` text DEFAULT 'A' NOT NULL;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `due_at` integer;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `reopened_until` integer;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `excused_at` integer;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `excused_because` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `unlocked_day` text;--> statement-breakpoint
ALTER TABLE `assignments` ADD `closes_at` integer;--> statement-breakpoint
ALTER TABLE `assignments` ADD `is_prepared` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `only_at_school` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `unlock_code` text;--> statement-breakpoint
ALTER TABLE `assignments` ADD `goes_first` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `release` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `assignments` ADD `cut_percent` real;--> statement-breakpoint
ALTER TABLE `assignments` ADD `category` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `parts` ADD `title` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `parts` ADD `opening` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `works` ADD `kept_at` integer;--> statement-breakpoint
ALTER TABLE `works` ADD `shared_at` integer;--> statement-breakpoint
ALTER TABLE `works` ADD `copied_from` text REFERENCES works(id);--> statement-breakpoint
CREATE INDEX `works_by_original` ON `works` (`copied_from`) WHERE copied_from is not null;--> statement-breakpoint
INSERT INTO `completions` (`target_id`, `at`)
SELECT s.`target_id`, s.`finished_at` FROM `sittings` s
WHERE s.`finished_at` IS NOT NULL
  AND s.`attempt` = (SELECT max(o.`attempt`) FROM `sittings` o WHERE o.`target_id` = s.`target_id`);
