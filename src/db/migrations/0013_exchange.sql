CREATE TABLE `item_originals` (
	`id` text PRIMARY KEY NOT NULL,
	`version_id` text NOT NULL,
	`file_name` text NOT NULL,
	`document` text NOT NULL,
	`remarks` text NOT NULL,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `item_originals_version_id_unique` ON `item_originals` (`version_id`);--> statement-breakpoint
CREATE TABLE `library_drafts` (
	`id` text PRIMARY KEY NOT NULL,
	`owner_id` text NOT NULL,
	`school_id` text NOT NULL,
	`kind` text NOT NULL,
	`bank_id` text,
	`skill_id` text,
	`subject_id` text,
	`file_name` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` integer NOT NULL,
	`applied_at` integer,
	`change_id` text,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`bank_id`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`subject_id`) REFERENCES `subjects`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `library_drafts_by_owner` ON `library_drafts` (`owner_id`);--> statement-breakpoint
CREATE INDEX `library_drafts_by_school` ON `library_drafts` (`school_id`);--> statement-breakpoint
CREATE INDEX `library_drafts_by_bank` ON `library_drafts` (`bank_id`);--> statement-breakpoint
CREATE INDEX `library_drafts_by_skill` ON `library_drafts` (`skill_id`);--> statement-breakpoint
CREATE INDEX `library_drafts_by_subject` ON `library_drafts` (`subject_id`);--> statement-breakpoint
CREATE TABLE `followed_frameworks` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`subject_id` text NOT NULL,
	`framework_id` text NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`subject_id`) REFERENCES `subjects`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`framework_id`) REFERENCES `frameworks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `followed_frameworks_once` ON `followed_frameworks` (`school_id`,`subject_id`);--> statement-breakpoint
CREATE INDEX `followed_frameworks_by_subject` ON `followed_frameworks` (`subject_id`);--> statement-breakpoint
CREATE INDEX `followed_frameworks_by_framework` ON `followed_frameworks` (`framework_id`);--> statement-breakpoint
CREATE TABLE `passage_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`passage_id` text NOT NULL,
	`number` integer NOT NULL,
	`title` text NOT NULL,
	`topic` text DEFAULT '' NOT NULL,
	`language` text DEFAULT 'en' NOT NULL,
	`body` text NOT NULL,
	`created_at` integer NOT NULL,
	`author_id` text,
	FOREIGN KEY (`passage_id`) REFERENCES `passages`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`author_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `passage_versions_by_number` ON `passage_versions` (`passage_id`,`number`);--> statement-breakpoint
CREATE INDEX `passage_versions_by_author` ON `passage_versions` (`author_id`);--> statement-breakpoint
CREATE TABLE `passages` (
	`id` text PRIMARY KEY NOT NULL,
	`shipped` integer DEFAULT false NOT NULL,
	`bank_id` text,
	`author_id` text,
	`outside_id` text,
	`retired_at` integer,
	FOREIGN KEY (`bank_id`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`author_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `passages_by_bank` ON `passages` (`bank_id`,`outside_id`);--> statement-breakpoint
CREATE INDEX `passages_by_author` ON `passages` (`author_id`);--> statement-breakpoint
DROP INDEX `items_by_bank`;--> statement-breakpoint
ALTER TABLE `items` ADD `outside_id` text;--> statement-breakpoint
CREATE INDEX `items_by_bank` ON `items` (`bank_id`,`outside_id`);--> statement-breakpoint
DROP INDEX `standards_by_code`;--> statement-breakpoint
ALTER TABLE `standards` ADD `unread` text;--> statement-breakpoint
ALTER TABLE `standards` ADD `branch` text;--> statement-breakpoint
ALTER TABLE `standards` ADD `retired_at` integer;--> statement-breakpoint
CREATE INDEX `standards_by_case` ON `standards` (`case_id`);--> statement-breakpoint
CREATE INDEX `standards_by_code` ON `standards` (`framework_id`,`code`);--> statement-breakpoint
ALTER TABLE `item_cards` ADD `passage_id` text;--> statement-breakpoint
ALTER TABLE `item_versions` ADD `passage_id` text REFERENCES passages(id);--> statement-breakpoint
CREATE INDEX `item_versions_by_passage` ON `item_versions` (`passage_id`);--> statement-breakpoint
ALTER TABLE `frameworks` ADD `shipped` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `frameworks` ADD `creator` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `frameworks` ADD `unread` text;--> statement-breakpoint
ALTER TABLE `standard_links` ADD `id` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `standard_links` SET `id` = `from_id` || ' ' || `kind` || ' ' || `to_id`;--> statement-breakpoint
ALTER TABLE `standard_links` ADD `case_id` text;--> statement-breakpoint
ALTER TABLE `standard_links` ADD `unread` text;--> statement-breakpoint
CREATE UNIQUE INDEX `standard_links_by_id` ON `standard_links` (`id`);--> statement-breakpoint
CREATE TRIGGER `card_follows_passage_versions_insert` AFTER INSERT ON `passage_versions` BEGIN DELETE FROM `item_cards` WHERE `version_id` IN (SELECT `id` FROM `item_versions` WHERE `passage_id` = NEW.`passage_id`); END;--> statement-breakpoint
CREATE TRIGGER `card_follows_passage_versions_delete` AFTER DELETE ON `passage_versions` BEGIN DELETE FROM `item_cards` WHERE `version_id` IN (SELECT `id` FROM `item_versions` WHERE `passage_id` = OLD.`passage_id`); END;
