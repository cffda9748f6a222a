CREATE TABLE `ratings` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`answer_serial` integer NOT NULL,
	`part` text NOT NULL,
	`rater_id` text NOT NULL,
	`points` text NOT NULL,
	`rated_at` integer NOT NULL,
	FOREIGN KEY (`answer_serial`) REFERENCES `answers`(`serial`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`rater_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `ratings_key_unique` ON `ratings` (`key`);--> statement-breakpoint
CREATE INDEX `ratings_by_answer` ON `ratings` (`answer_serial`);--> statement-breakpoint
CREATE INDEX `ratings_by_rater` ON `ratings` (`rater_id`);--> statement-breakpoint
CREATE TRIGGER `ratings_are_never_changed` BEFORE UPDATE ON `ratings` BEGIN SELECT RAISE(ABORT, 'Ratings are only ever added; the latest stands.'); END;
