ALTER TABLE `skill_states` ADD `mean` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `spread` real DEFAULT 0.6 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `unaided_answers` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `right_if_mastered` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `right_if_not` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `skill_states` ADD `lost_day` integer;--> statement-breakpoint
-- Until the summaries are made anew (npm run rebuild): the ability that gives the chance that was kept, in steps.
UPDATE `skill_states` SET `unaided_answers` = `scored_answers`, `mean` = 0.6 * CASE
  WHEN `mastery` < 0.05 THEN -1.9 WHEN `mastery` < 0.1 THEN -1.45 WHEN `mastery` < 0.2 THEN -1.05 WHEN `mastery` < 0.3 THEN -0.67
  WHEN `mastery` < 0.4 THEN -0.39 WHEN `mastery` < 0.5 THEN -0.13 WHEN `mastery` < 0.6 THEN 0.13 WHEN `mastery` < 0.7 THEN 0.39
  WHEN `mastery` < 0.8 THEN 0.67 WHEN `mastery` < 0.9 THEN 1.05 WHEN `mastery` < 0.95 THEN 1.45 ELSE 1.9 END;
