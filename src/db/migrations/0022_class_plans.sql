CREATE TABLE `plan_slots` (
	`id` text PRIMARY KEY NOT NULL,
	`plan_id` text NOT NULL,
	`place` integer NOT NULL,
	`kind` text NOT NULL,
	`unit_id` text,
	`skill_ids` text NOT NULL,
	`work_id` text,
	`title` text NOT NULL,
	`lessons` integer NOT NULL,
	`from_day` text,
	`skipped` integer DEFAULT false NOT NULL,
	`counted` integer DEFAULT true NOT NULL,
	`where_at` text DEFAULT 'both' NOT NULL,
	`origin_id` text,
	`origin_was` text,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`plan_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `plan_slots_by_plan` ON `plan_slots` (`plan_id`,`place`);--> statement-breakpoint
CREATE INDEX `plan_slots_by_unit` ON `plan_slots` (`unit_id`);--> statement-breakpoint
CREATE INDEX `plan_slots_by_work` ON `plan_slots` (`work_id`);--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`owner_id` text,
	`class_id` text,
	`subject_id` text NOT NULL,
	`grade` integer NOT NULL,
	`name` text NOT NULL,
	`copied_from_id` text,
	`first_day` text,
	`weekdays` text,
	`runs_itself` integer DEFAULT false NOT NULL,
	`pace` text DEFAULT 'own' NOT NULL,
	`created_at` integer NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`subject_id`) REFERENCES `subjects`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`copied_from_id`) REFERENCES `plans`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plans_of_class` ON `plans` (`class_id`);--> statement-breakpoint
CREATE INDEX `plans_by_school` ON `plans` (`school_id`);--> statement-breakpoint
CREATE INDEX `plans_by_owner` ON `plans` (`owner_id`);--> statement-breakpoint
CREATE INDEX `plans_by_subject` ON `plans` (`subject_id`);--> statement-breakpoint
CREATE INDEX `plans_by_original` ON `plans` (`copied_from_id`);