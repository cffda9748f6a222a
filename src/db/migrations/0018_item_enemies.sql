CREATE TABLE `item_enemies` (
	`id` text PRIMARY KEY NOT NULL,
	`item_id` text NOT NULL,
	`enemy_id` text NOT NULL,
	`apart` integer NOT NULL,
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`enemy_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `item_enemies_by_item` ON `item_enemies` (`item_id`);--> statement-breakpoint
CREATE INDEX `item_enemies_by_enemy` ON `item_enemies` (`enemy_id`);