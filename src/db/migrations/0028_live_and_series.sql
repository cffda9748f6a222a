CREATE TABLE `series` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`owner_id` text NOT NULL,
	`title` text NOT NULL,
	`kind` text NOT NULL,
	`rules` text NOT NULL,
	`student_ids` text,
	`from_day` text NOT NULL,
	`to_day` text NOT NULL,
	`created_at` integer NOT NULL,
	`ended_at` integer,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `series_by_class` ON `series` (`class_id`);--> statement-breakpoint
CREATE INDEX `series_by_owner` ON `series` (`owner_id`);--> statement-breakpoint
CREATE TABLE `student_lines` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`class_id` text NOT NULL,
	`from_id` text NOT NULL,
	`assignment_id` text,
	`kind` text NOT NULL,
	`text` text NOT NULL,
	`at` integer NOT NULL,
	`read_at` integer,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`from_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `student_lines_by_person` ON `student_lines` (`person_id`,`at`);--> statement-breakpoint
CREATE INDEX `student_lines_by_work` ON `student_lines` (`assignment_id`) WHERE assignment_id is not null;--> statement-breakpoint
CREATE INDEX `student_lines_by_class` ON `student_lines` (`class_id`);--> statement-breakpoint
CREATE INDEX `student_lines_by_sender` ON `student_lines` (`from_id`);--> statement-breakpoint
ALTER TABLE `assignment_targets` ADD `absent_at` integer;--> statement-breakpoint
ALTER TABLE `assignments` ADD `paused_at` integer;--> statement-breakpoint
ALTER TABLE `assignments` ADD `series_id` text REFERENCES series(id);--> statement-breakpoint
ALTER TABLE `assignments` ADD `series_day` text;--> statement-breakpoint
CREATE UNIQUE INDEX `assignments_by_series` ON `assignments` (`series_id`,`series_day`) WHERE series_id is not null;--> statement-breakpoint
DROP TRIGGER `scores_are_sound`;--> statement-breakpoint
CREATE TRIGGER `scores_are_sound` BEFORE INSERT ON `scores` WHEN NEW.`earned` NOT BETWEEN 0 AND NEW.`possible` OR NEW.`possible` < 0 OR (NEW.`possible` = 0 AND NEW.`supersedes` IS NULL) BEGIN SELECT RAISE(ABORT, 'A score lies outside its bounds.'); END;
