CREATE TABLE `report_looks` (
	`person_id` text NOT NULL,
	`class_id` text NOT NULL,
	`at` integer NOT NULL,
	`before` integer,
	PRIMARY KEY(`person_id`, `class_id`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `report_looks_by_class` ON `report_looks` (`class_id`);--> statement-breakpoint
CREATE TABLE `talk_notes` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`by_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`version_id` text,
	`assignment_id` text,
	`misconception_id` text,
	`reason` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`misconception_id`) REFERENCES `misconceptions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `talk_notes_by_person` ON `talk_notes` (`person_id`,`at`);--> statement-breakpoint
CREATE INDEX `talk_notes_by_teacher` ON `talk_notes` (`by_id`);--> statement-breakpoint
CREATE INDEX `talk_notes_by_skill` ON `talk_notes` (`skill_id`);--> statement-breakpoint
CREATE INDEX `talk_notes_by_version` ON `talk_notes` (`version_id`) WHERE version_id is not null;--> statement-breakpoint
CREATE INDEX `talk_notes_by_work` ON `talk_notes` (`assignment_id`) WHERE assignment_id is not null;--> statement-breakpoint
CREATE INDEX `talk_notes_by_misconception` ON `talk_notes` (`misconception_id`) WHERE misconception_id is not null;