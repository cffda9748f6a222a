CREATE TABLE `put_off_lines` (
	`person_id` text NOT NULL,
	`key` text NOT NULL,
	`said` text NOT NULL,
	`until_day` text,
	`at` integer NOT NULL,
	PRIMARY KEY(`person_id`, `key`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
