CREATE TABLE `item_counts` (
	`item_id` text PRIMARY KEY NOT NULL,
	`answered` integer NOT NULL,
	`scored` integer NOT NULL,
	`earned` real NOT NULL,
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action
);
