CREATE TABLE `ask` (
	`id` text PRIMARY KEY NOT NULL,
	`entry_key` integer NOT NULL,
	`at` integer NOT NULL,
	`staff_id` text,
	`words` text NOT NULL,
	`answer` text,
	`answered_at` integer,
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `ask_entry` ON `ask` (`entry_key`);