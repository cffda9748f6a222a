CREATE TABLE `group_habits` (
	`id` text PRIMARY KEY NOT NULL,
	`class_id` text NOT NULL,
	`habits` text NOT NULL,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `group_habits_once` ON `group_habits` (`class_id`);--> statement-breakpoint
CREATE TABLE `own_reteaches` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`person_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`approach` text NOT NULL,
	`parts` text NOT NULL,
	`shared` integer NOT NULL,
	`changed_at` integer NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `own_reteaches_once` ON `own_reteaches` (`person_id`,`skill_id`,`approach`);--> statement-breakpoint
CREATE INDEX `own_reteaches_by_skill` ON `own_reteaches` (`skill_id`);--> statement-breakpoint
CREATE INDEX `own_reteaches_by_school` ON `own_reteaches` (`school_id`);--> statement-breakpoint
CREATE TABLE `reteach_compared` (
	`id` text PRIMARY KEY NOT NULL,
	`reteach_id` text NOT NULL,
	`person_id` text NOT NULL,
	`chance_before` real NOT NULL,
	`belief_mean` real NOT NULL,
	`belief_spread` real NOT NULL,
	`judged_day` text,
	`chance_by_check` real,
	`check_right` integer,
	`check_items` integer,
	FOREIGN KEY (`reteach_id`) REFERENCES `reteaches`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `reteach_compared_once` ON `reteach_compared` (`reteach_id`,`person_id`);--> statement-breakpoint
CREATE INDEX `reteach_compared_by_person` ON `reteach_compared` (`person_id`);--> statement-breakpoint
CREATE TABLE `visits` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`by_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`minutes` integer NOT NULL,
	`result` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `visits_by_person` ON `visits` (`person_id`,`at`);--> statement-breakpoint
CREATE INDEX `visits_by_teacher` ON `visits` (`by_id`);--> statement-breakpoint
CREATE INDEX `visits_by_skill` ON `visits` (`skill_id`);--> statement-breakpoint
ALTER TABLE `group_members` ADD `explains` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `reteach_students` ADD `belief_mean` real;--> statement-breakpoint
ALTER TABLE `reteach_students` ADD `belief_spread` real;--> statement-breakpoint
ALTER TABLE `reteach_students` ADD `there` integer;--> statement-breakpoint
ALTER TABLE `reteach_students` ADD `chance_by_check` real;--> statement-breakpoint
ALTER TABLE `reteaches` ADD `approach` text DEFAULT 'things' NOT NULL;--> statement-breakpoint
ALTER TABLE `reteaches` ADD `lower_skill_id` text REFERENCES skills(id);--> statement-breakpoint
ALTER TABLE `reteaches` ADD `misconception_id` text REFERENCES misconceptions(id);--> statement-breakpoint
ALTER TABLE `reteaches` ADD `minutes` integer DEFAULT 15 NOT NULL;--> statement-breakpoint
ALTER TABLE `reteaches` ADD `by_id` text REFERENCES people(id);--> statement-breakpoint
ALTER TABLE `reteaches` ADD `judged_day` text;--> statement-breakpoint
ALTER TABLE `reteaches` ADD `worked` text;--> statement-breakpoint
ALTER TABLE `reteaches` ADD `figures` text;--> statement-breakpoint
CREATE INDEX `reteaches_by_lower_skill` ON `reteaches` (`lower_skill_id`) WHERE lower_skill_id is not null;--> statement-breakpoint
CREATE INDEX `reteaches_by_misconception` ON `reteaches` (`misconception_id`) WHERE misconception_id is not null;--> statement-breakpoint
CREATE INDEX `reteaches_by_giver` ON `reteaches` (`by_id`);--> statement-breakpoint
CREATE INDEX `reteaches_open` ON `reteaches` (`created_at`) WHERE judged_day is null;