CREATE TABLE `fact_attempts` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`person_id` text NOT NULL,
	`kind` text NOT NULL,
	`fact` text NOT NULL,
	`given` integer,
	`right` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	`limit_milliseconds` integer,
	`day` text NOT NULL,
	`at` integer NOT NULL,
	`left_out` integer DEFAULT false NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `fact_attempts_key_unique` ON `fact_attempts` (`key`);--> statement-breakpoint
CREATE INDEX `fact_attempts_by_day` ON `fact_attempts` (`person_id`,`day`);--> statement-breakpoint
CREATE INDEX `fact_attempts_by_fact` ON `fact_attempts` (`person_id`,`fact`);--> statement-breakpoint
CREATE INDEX `fact_attempts_by_kind` ON `fact_attempts` (`person_id`,`kind`,`serial`);--> statement-breakpoint
CREATE TABLE `fact_days` (
	`person_id` text NOT NULL,
	`day` text NOT NULL,
	`answered` integer NOT NULL,
	`right` integer NOT NULL,
	`in_time` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	`newly_fluent` text NOT NULL,
	`goal` integer NOT NULL,
	PRIMARY KEY(`person_id`, `day`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `fact_days_by_day` ON `fact_days` (`day`);--> statement-breakpoint
CREATE TABLE `fact_settings` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`person_id` text,
	`on` integer NOT NULL,
	`settings` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `fact_settings_of_class` ON `fact_settings` (`class_id`) WHERE person_id is null;--> statement-breakpoint
CREATE UNIQUE INDEX `fact_settings_of_student` ON `fact_settings` (`class_id`,`person_id`) WHERE person_id is not null;--> statement-breakpoint
CREATE INDEX `fact_settings_by_person` ON `fact_settings` (`person_id`) WHERE person_id is not null;--> statement-breakpoint
CREATE TABLE `fact_states` (
	`person_id` text NOT NULL,
	`fact` text NOT NULL,
	`latest` text NOT NULL,
	`attempts` integer NOT NULL,
	PRIMARY KEY(`person_id`, `fact`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
