CREATE TABLE `uncounted_answers` (
	`key` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`work_id` text NOT NULL,
	`sitting_id` text NOT NULL,
	`presentation_id` text NOT NULL,
	`raw` text NOT NULL,
	`reason` text NOT NULL,
	`given_at` integer NOT NULL,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting_id`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `uncounted_answers_by_person` ON `uncounted_answers` (`person_id`);--> statement-breakpoint
CREATE INDEX `uncounted_answers_by_work` ON `uncounted_answers` (`work_id`);--> statement-breakpoint
CREATE INDEX `uncounted_answers_by_sitting` ON `uncounted_answers` (`sitting_id`);--> statement-breakpoint
ALTER TABLE `answers` ADD `witness` text DEFAULT 'device' NOT NULL;--> statement-breakpoint
ALTER TABLE `answers` ADD `late_claim` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `answers` ADD `device_clock` integer;--> statement-breakpoint
ALTER TABLE `schools` ADD `late_grace_hours` integer DEFAULT 72 NOT NULL;--> statement-breakpoint
UPDATE `answers` SET `given_at` = min(`recorded_at`, max(`given_at`, (SELECT `started_at` FROM `sittings` WHERE `sittings`.`id` = `answers`.`sitting_id`))) WHERE `given_at` > `recorded_at` OR `given_at` < (SELECT `started_at` FROM `sittings` WHERE `sittings`.`id` = `answers`.`sitting_id`);--> statement-breakpoint
CREATE TRIGGER `answers_lie_in_bounds` BEFORE INSERT ON `answers` WHEN NEW.`given_at` > NEW.`recorded_at` OR NEW.`given_at` < 0 OR NEW.`milliseconds` NOT BETWEEN 0 AND 86400000 OR NEW.`hints_used` NOT BETWEEN 0 AND 99 BEGIN SELECT RAISE(ABORT, 'An answer lies outside its bounds.'); END;--> statement-breakpoint
CREATE TRIGGER `answers_are_never_changed` BEFORE UPDATE ON `answers` BEGIN SELECT RAISE(ABORT, 'The answer log is only ever added to.'); END;
