CREATE TABLE `outside_scores` (
	`id` text PRIMARY KEY NOT NULL,
	`list_id` text NOT NULL,
	`person_id` text NOT NULL,
	`strand_id` text NOT NULL,
	`whole` integer NOT NULL,
	`score` real NOT NULL,
	`out_of` real,
	`theta` real NOT NULL,
	`se` real NOT NULL,
	FOREIGN KEY (`list_id`) REFERENCES `score_lists`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `outside_scores_once` ON `outside_scores` (`list_id`,`person_id`,`strand_id`);--> statement-breakpoint
CREATE INDEX `outside_scores_by_person` ON `outside_scores` (`person_id`);--> statement-breakpoint
CREATE TABLE `score_lists` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`title` text NOT NULL,
	`on_day` text NOT NULL,
	`by_id` text NOT NULL,
	`kept_at` integer NOT NULL,
	`removed_at` integer,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `score_lists_by_class` ON `score_lists` (`class_id`);--> statement-breakpoint
CREATE INDEX `score_lists_by_person` ON `score_lists` (`by_id`);