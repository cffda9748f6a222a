CREATE TABLE `bank_rights` (
	`id` text PRIMARY KEY NOT NULL,
	`bank_id` text NOT NULL,
	`person_id` text,
	`school_id` text,
	`role` text,
	`level` text NOT NULL,
	FOREIGN KEY (`bank_id`) REFERENCES `banks`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `bank_rights_by_bank` ON `bank_rights` (`bank_id`);--> statement-breakpoint
CREATE INDEX `bank_rights_by_person` ON `bank_rights` (`person_id`);--> statement-breakpoint
CREATE INDEX `bank_rights_by_school` ON `bank_rights` (`school_id`);--> statement-breakpoint
CREATE TABLE `banks` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`owner_id` text,
	`name` text NOT NULL,
	`license` text DEFAULT '' NOT NULL,
	`restricted_until` text,
	`created_at` integer NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `banks_by_school` ON `banks` (`school_id`);--> statement-breakpoint
CREATE INDEX `banks_by_owner` ON `banks` (`owner_id`);--> statement-breakpoint
CREATE TABLE `item_cards` (
	`number` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`item_id` text NOT NULL,
	`version_id` text NOT NULL,
	`bank_id` text,
	`status` text NOT NULL,
	`retired` integer NOT NULL,
	`skill_id` text,
	`strand` text,
	`grade` integer,
	`kind` text NOT NULL,
	`model` integer NOT NULL,
	`depth` integer,
	`language` text NOT NULL,
	`author_id` text,
	`added_at` integer NOT NULL,
	`difficulty` real,
	`discrimination` real,
	`calibrated` integer NOT NULL,
	`line` text NOT NULL,
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `item_cards_item_id_unique` ON `item_cards` (`item_id`);--> statement-breakpoint
CREATE INDEX `item_cards_by_version` ON `item_cards` (`version_id`);--> statement-breakpoint
CREATE INDEX `item_cards_by_bank` ON `item_cards` (`bank_id`,`status`,`retired`);--> statement-breakpoint
CREATE INDEX `item_cards_by_skill` ON `item_cards` (`skill_id`);--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_item_skills` (
	`id` text PRIMARY KEY NOT NULL,
	`item_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`place` integer NOT NULL,
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_item_skills`("id", "item_id", "skill_id", "place") SELECT "item_id" || '/' || "skill_id", "item_id", "skill_id", "place" FROM `item_skills`;--> statement-breakpoint
DROP TABLE `item_skills`;--> statement-breakpoint
ALTER TABLE `__new_item_skills` RENAME TO `item_skills`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE UNIQUE INDEX `item_skills_once` ON `item_skills` (`item_id`,`skill_id`);--> statement-breakpoint
CREATE INDEX `item_skills_by_skill` ON `item_skills` (`skill_id`);--> statement-breakpoint
CREATE TABLE `__new_item_standards` (
	`id` text PRIMARY KEY NOT NULL,
	`item_id` text NOT NULL,
	`standard_id` text NOT NULL,
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`standard_id`) REFERENCES `standards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_item_standards`("id", "item_id", "standard_id") SELECT "item_id" || '/' || "standard_id", "item_id", "standard_id" FROM `item_standards`;--> statement-breakpoint
DROP TABLE `item_standards`;--> statement-breakpoint
ALTER TABLE `__new_item_standards` RENAME TO `item_standards`;--> statement-breakpoint
CREATE UNIQUE INDEX `item_standards_once` ON `item_standards` (`item_id`,`standard_id`);--> statement-breakpoint
CREATE INDEX `item_standards_by_standard` ON `item_standards` (`standard_id`);--> statement-breakpoint
ALTER TABLE `item_versions` ADD `author_id` text REFERENCES people(id);--> statement-breakpoint
ALTER TABLE `item_versions` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `item_versions_by_author` ON `item_versions` (`author_id`);--> statement-breakpoint
ALTER TABLE `items` ADD `bank_id` text REFERENCES banks(id);--> statement-breakpoint
ALTER TABLE `items` ADD `author_id` text REFERENCES people(id);--> statement-breakpoint
CREATE INDEX `items_by_bank` ON `items` (`bank_id`);--> statement-breakpoint
CREATE INDEX `items_by_author` ON `items` (`author_id`);;--> statement-breakpoint
ALTER TABLE `item_versions` ADD `alignment` text;--> statement-breakpoint
CREATE VIRTUAL TABLE `item_words` USING fts5(`words`, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3');--> statement-breakpoint
-- A card is dropped with its words whenever anything that it is made of changes; what is missing is made before the next search.
CREATE TRIGGER `words_go_with_cards` AFTER DELETE ON `item_cards` BEGIN DELETE FROM `item_words` WHERE rowid = OLD.`number`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_versions_insert` AFTER INSERT ON `item_versions` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_versions_update` AFTER UPDATE ON `item_versions` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_versions_delete` BEFORE DELETE ON `item_versions` BEGIN DELETE FROM `item_cards` WHERE `item_id` = OLD.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_items_update` AFTER UPDATE ON `items` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_items_delete` BEFORE DELETE ON `items` BEGIN DELETE FROM `item_cards` WHERE `item_id` = OLD.`id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_skills_insert` AFTER INSERT ON `item_skills` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_skills_update` AFTER UPDATE ON `item_skills` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_skills_delete` AFTER DELETE ON `item_skills` BEGIN DELETE FROM `item_cards` WHERE `item_id` = OLD.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_standards_insert` AFTER INSERT ON `item_standards` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_standards_update` AFTER UPDATE ON `item_standards` BEGIN DELETE FROM `item_cards` WHERE `item_id` = NEW.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_standards_delete` AFTER DELETE ON `item_standards` BEGIN DELETE FROM `item_cards` WHERE `item_id` = OLD.`item_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_parameters_insert` AFTER INSERT ON `item_parameters` BEGIN DELETE FROM `item_cards` WHERE `version_id` = NEW.`version_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_item_parameters_update` AFTER UPDATE ON `item_parameters` BEGIN DELETE FROM `item_cards` WHERE `version_id` = NEW.`version_id`; END;--> statement-breakpoint
CREATE TRIGGER `card_follows_skills_update` AFTER UPDATE ON `skills` BEGIN DELETE FROM `item_cards` WHERE `skill_id` = NEW.`id`; END;
