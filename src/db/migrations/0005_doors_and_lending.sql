CREATE TABLE `known_devices` (
	`person_id` text NOT NULL,
	`device_hash` text NOT NULL,
	`last_at` integer NOT NULL,
	PRIMARY KEY(`person_id`, `device_hash`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
-- Wrong tries are counted in another way from now on; those of the last hour are forgotten.
DROP TABLE `throttles`;--> statement-breakpoint
CREATE TABLE `throttles` (
	`kind` text NOT NULL,
	`key` text NOT NULL,
	`count` integer NOT NULL,
	`last_at` integer NOT NULL,
	`forget_at` integer NOT NULL,
	PRIMARY KEY(`kind`, `key`)
);
--> statement-breakpoint
CREATE INDEX `throttles_by_end` ON `throttles` (`forget_at`);--> statement-breakpoint
ALTER TABLE `enrollments` ADD `lent_through` text;--> statement-breakpoint
ALTER TABLE `group_members` ADD `lent_through` text;--> statement-breakpoint
-- Six letters can be found by trying (decisions/0013): every class gets a code of ten signs. Cards go on opening the door.
UPDATE `classes` SET `code` = substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1)
	|| substr('ACDEFHJKLMNPRTUWXY3479', 1 + abs(random() % 22), 1);
