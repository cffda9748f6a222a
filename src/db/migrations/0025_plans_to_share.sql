ALTER TABLE `plan_slots` ADD `items` integer;--> statement-breakpoint
ALTER TABLE `plans` ADD `known_origins` text DEFAULT '[]' NOT NULL;