CREATE TABLE `sign_ins` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`person_id` text NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`by` text,
	`device` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sign_ins_by_school` ON `sign_ins` (`school_id`,`id`);--> statement-breakpoint
CREATE INDEX `sign_ins_by_person` ON `sign_ins` (`person_id`,`id`);--> statement-breakpoint
ALTER TABLE `changes` ADD `facts` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `changes` ADD `command` text;--> statement-breakpoint
-- Entries of before keep their sentence; comings and goings move to their own table, by what their sentences say.
DROP TRIGGER `changes_are_never_changed`;--> statement-breakpoint
DROP TRIGGER `changes_are_never_deleted`;--> statement-breakpoint
INSERT INTO `sign_ins` (`id`, `school_id`, `person_id`, `at`, `kind`, `by`, `device`)
SELECT `id`, `school_id`, `person_id`, `at`,
	CASE `kind`
		WHEN 'locked-out' THEN 'must-wait'
		WHEN 'reset-asked' THEN 'link-sent'
		WHEN 'password-set' THEN CASE WHEN instr(`said`, 'by a link') > 0 THEN 'password-by-link' ELSE 'password-changed' END
		WHEN 'second-step' THEN CASE WHEN instr(`said`, 'removed') > 0 THEN 'second-step-removed' ELSE 'second-step-set' END
		WHEN 'signed-out' THEN 'device-signed-out'
		ELSE 'signed-in'
	END,
	CASE
		WHEN instr(`said`, 'by password') + instr(`said`, 'with the password') > 0 THEN 'password'
		WHEN instr(`said`, 'by pin') + instr(`said`, 'with the pin') > 0 THEN 'pin'
		WHEN instr(`said`, 'by card') + instr(`said`, 'with the card') > 0 THEN 'card'
	END,
	CASE
		WHEN `kind` = 'signed-in' AND instr(`said`, ' on ') > 0 THEN substr(`said`, instr(`said`, ' on ') + 4)
		WHEN `kind` = 'signed-out' AND instr(`said`, ': ') > 0 THEN substr(`said`, instr(`said`, ': ') + 2)
		ELSE ''
	END
FROM (
	SELECT `changes`.*, `people`.`id` AS `person_id`, replace(`summary`, '{person:' || `people`.`id` || '}', '') AS `said`
	FROM `changes`
	JOIN `people` ON `people`.`id` = substr(
		`summary`,
		instr(`summary`, '{person:') + 8,
		instr(substr(`summary`, instr(`summary`, '{person:') + 8), '}') - 1
	)
	WHERE `area` = 'sign-in'
);--> statement-breakpoint
DELETE FROM `change_subjects` WHERE `change_id` IN (SELECT `id` FROM `changes` WHERE `area` = 'sign-in');--> statement-breakpoint
DELETE FROM `changes` WHERE `area` = 'sign-in';--> statement-breakpoint
UPDATE `changes` SET
	`facts` = CASE `kind`
		WHEN 'undo' THEN json_object('of', json_object('kind', 'said', 'facts', json_object('sentence', substr(`summary`, 9))))
		ELSE json_object('sentence', `summary`)
	END,
	`kind` = CASE `kind` WHEN 'undo' THEN 'undone' ELSE 'said' END;--> statement-breakpoint
CREATE TRIGGER `changes_are_never_changed` BEFORE UPDATE ON `changes` BEGIN SELECT RAISE(ABORT, 'The history is only ever added to.'); END;--> statement-breakpoint
CREATE TRIGGER `changes_are_never_deleted` BEFORE DELETE ON `changes` BEGIN SELECT RAISE(ABORT, 'The history is only ever added to.'); END;--> statement-breakpoint
CREATE TRIGGER `sign_ins_are_never_changed` BEFORE UPDATE ON `sign_ins` BEGIN SELECT RAISE(ABORT, 'Sign-ins are only ever added to.'); END;--> statement-breakpoint
ALTER TABLE `changes` DROP COLUMN `summary`;--> statement-breakpoint
ALTER TABLE `scores` ADD `change_id` text REFERENCES changes(id);--> statement-breakpoint
CREATE INDEX `scores_by_change` ON `scores` (`change_id`) WHERE change_id is not null;--> statement-breakpoint
-- Interests are codes from now on, also where an undo would look for them.
UPDATE `interests` SET `interest` = replace(`interest`, ' ', '-');--> statement-breakpoint
UPDATE `change_rows` SET `rows` = replace(replace(replace(replace(replace(`rows`,
	'"interest":"ball games"', '"interest":"ball-games"'),
	'"interest":"boats and water"', '"interest":"boats-and-water"'),
	'"interest":"building things"', '"interest":"building-things"'),
	'"interest":"farms and gardens"', '"interest":"farms-and-gardens"'),
	'"interest":"running and races"', '"interest":"running-and-races"')
WHERE instr(`rows`, '"interest":') > 0;
