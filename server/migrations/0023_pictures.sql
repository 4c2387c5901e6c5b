CREATE TABLE `picture` (
	`id` text PRIMARY KEY NOT NULL,
	`entry_key` integer NOT NULL,
	`at` integer NOT NULL,
	`hidden` integer DEFAULT false NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`small` blob NOT NULL,
	`full` blob NOT NULL,
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `picture_entry` ON `picture` (`entry_key`);--> statement-breakpoint
ALTER TABLE `version` ADD `pictures` text DEFAULT '[]' NOT NULL;