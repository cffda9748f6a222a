CREATE TABLE `misconception_days` (
	`person_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`misconception_id` text NOT NULL,
	`day` integer NOT NULL,
	`times` integer NOT NULL,
	PRIMARY KEY(`person_id`, `day`, `skill_id`, `misconception_id`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`misconception_id`) REFERENCES `misconceptions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `misconception_days_by_skill` ON `misconception_days` (`skill_id`);--> statement-breakpoint
CREATE INDEX `misconception_days_by_misconception` ON `misconception_days` (`misconception_id`);--> statement-breakpoint
ALTER TABLE `skill_days` ADD `mastery` real;--> statement-breakpoint
ALTER TABLE `skill_days` ADD `stability_days` real;--> statement-breakpoint
ALTER TABLE `skill_days` ADD `mean` real;--> statement-breakpoint
ALTER TABLE `skill_days` ADD `spread` real;--> statement-breakpoint
ALTER TABLE `skill_days` ADD `answered_until` integer;--> statement-breakpoint
ALTER TABLE `skill_days` ADD `right_until` integer;--> statement-breakpoint
INSERT INTO `misconception_days` (`person_id`, `skill_id`, `misconception_id`, `day`, `times`)
  SELECT s.`person_id`, s.`skill_id`, s.`misconception_id`, a.`day`, count(*)
  FROM `scores` s JOIN `answers` a ON a.`serial` = s.`answer_serial`
  WHERE s.`misconception_id` IS NOT NULL AND s.`possible` > 0
    AND NOT EXISTS (SELECT 1 FROM `scores` later WHERE later.`supersedes` = s.`serial`)
  GROUP BY 1, 2, 3, 4;--> statement-breakpoint
UPDATE `skill_days` SET
  `answered_until` = (SELECT sum(d.`answered`) FROM `skill_days` d WHERE d.`person_id` = `skill_days`.`person_id` AND d.`skill_id` = `skill_days`.`skill_id` AND d.`day` <= `skill_days`.`day`),
  `right_until` = (SELECT sum(d.`right`) FROM `skill_days` d WHERE d.`person_id` = `skill_days`.`person_id` AND d.`skill_id` = `skill_days`.`skill_id` AND d.`day` <= `skill_days`.`day`);--> statement-breakpoint
UPDATE `skill_days` SET (`mastery`, `stability_days`, `mean`, `spread`) = (
  SELECT s.`mastery`, s.`stability_days`, s.`mean`, s.`spread` FROM `skill_states` s
  WHERE s.`person_id` = `skill_days`.`person_id` AND s.`skill_id` = `skill_days`.`skill_id` AND s.`last_day` = `skill_days`.`day`);
