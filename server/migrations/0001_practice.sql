CREATE TABLE `practice` (
	`entry_key` integer PRIMARY KEY NOT NULL,
	`staff_id` text,
	`build_minutes` real NOT NULL,
	`rebuilds` integer NOT NULL,
	`broke` text NOT NULL,
	`note` text NOT NULL,
	`tried` text NOT NULL,
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `brief` ADD `compared` text;--> statement-breakpoint
ALTER TABLE `brief` ADD `instrument` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `brief` ADD `build_minutes` real DEFAULT 20 NOT NULL;--> statement-breakpoint
ALTER TABLE `brief` ADD `protocol_note` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `brief` ADD `rules` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `brief` ADD `hints` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `brief` ADD `unknown` text;--> statement-breakpoint
ALTER TABLE `brief_tier` ADD `times` real;--> statement-breakpoint
ALTER TABLE `material` ADD `hazards` text DEFAULT '[]' NOT NULL;