PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_holidays` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`day` text NOT NULL,
	`name` text NOT NULL,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_holidays`("id", "school_id", "day", "name") SELECT "school_id" || ' ' || "day", "school_id", "day", "name" FROM `holidays`;--> statement-breakpoint
DROP TABLE `holidays`;--> statement-breakpoint
ALTER TABLE `__new_holidays` RENAME TO `holidays`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE UNIQUE INDEX `holidays_once` ON `holidays` (`school_id`,`day`);