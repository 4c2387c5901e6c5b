CREATE TABLE `group_sheet` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`link_hash` text,
	`sent_at` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `group_sheet_link_hash_unique` ON `group_sheet` (`link_hash`);--> statement-breakpoint
ALTER TABLE `entry` ADD `group_id` text REFERENCES group_sheet(id);--> statement-breakpoint
ALTER TABLE `entry` ADD `group_row` integer;--> statement-breakpoint
CREATE INDEX `entry_group` ON `entry` (`group_id`);