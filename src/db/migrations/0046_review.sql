CREATE TABLE `review_settings` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`person_id` text,
	`on` integer NOT NULL,
	`settings` text NOT NULL,
	`set_by` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`set_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `review_settings_of_class` ON `review_settings` (`class_id`) WHERE person_id is null;--> statement-breakpoint
CREATE UNIQUE INDEX `review_settings_of_student` ON `review_settings` (`class_id`,`person_id`) WHERE person_id is not null;--> statement-breakpoint
CREATE INDEX `review_settings_by_class` ON `review_settings` (`class_id`);--> statement-breakpoint
CREATE INDEX `review_settings_by_person` ON `review_settings` (`person_id`) WHERE person_id is not null;--> statement-breakpoint
CREATE INDEX `review_settings_by_setter` ON `review_settings` (`set_by`);--> statement-breakpoint
CREATE TABLE `review_skills` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`person_id` text,
	`skill_id` text NOT NULL,
	`place` text NOT NULL,
	`day` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `review_skills_of_class` ON `review_skills` (`class_id`,`skill_id`) WHERE person_id is null;--> statement-breakpoint
CREATE UNIQUE INDEX `review_skills_of_student` ON `review_skills` (`class_id`,`person_id`,`skill_id`) WHERE person_id is not null;--> statement-breakpoint
CREATE INDEX `review_skills_by_class` ON `review_skills` (`class_id`);--> statement-breakpoint
CREATE INDEX `review_skills_by_person` ON `review_skills` (`person_id`) WHERE person_id is not null;--> statement-breakpoint
CREATE INDEX `review_skills_by_skill` ON `review_skills` (`skill_id`);--> statement-breakpoint
ALTER TABLE `assignments` ADD `is_review` integer DEFAULT false NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX `assignments_review_of_class` ON `assignments` (`class_id`) WHERE is_review = 1;--> statement-breakpoint
CREATE INDEX `fact_settings_by_class` ON `fact_settings` (`class_id`);