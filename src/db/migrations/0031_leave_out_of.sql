ALTER TABLE `supports` ADD `leave_out_subject_id` text;--> statement-breakpoint
ALTER TABLE `supports` ADD `leave_out_until` text;