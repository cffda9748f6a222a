ALTER TABLE `skill_states` ADD `learning` real DEFAULT 0.5 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `first_day` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `memory_difficulty` real DEFAULT 5 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `snag_day` integer;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `snag_cleared_day` integer;--> statement-breakpoint
UPDATE `skill_states` SET `first_day` = `last_day` WHERE `first_day` = 0;--> statement-breakpoint
UPDATE `sittings` SET `finish_reason` = 'amount' WHERE `finish_reason` = 'budget' AND `work_id` IN (SELECT `id` FROM `works` WHERE `kind` = 'check');
