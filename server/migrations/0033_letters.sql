CREATE TABLE `letter` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`run_id` text NOT NULL,
	`kind` text NOT NULL,
	`due_on` text NOT NULL,
	`language` text NOT NULL,
	`subject` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `letter_once` ON `letter` (`run_id`,`kind`,`due_on`,`language`);--> statement-breakpoint
CREATE TABLE `letter_to` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`letter_id` integer NOT NULL,
	`entry_key` integer,
	`group_id` text,
	`at` integer NOT NULL,
	FOREIGN KEY (`letter_id`) REFERENCES `letter`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`group_id`) REFERENCES `group_sheet`(`id`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "letter_to_one" CHECK(("letter_to"."entry_key" is null) <> ("letter_to"."group_id" is null))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `letter_to_entry` ON `letter_to` (`entry_key`,`letter_id`);--> statement-breakpoint
CREATE UNIQUE INDEX `letter_to_group` ON `letter_to` (`group_id`,`letter_id`);--> statement-breakpoint
CREATE INDEX `letter_to_letter` ON `letter_to` (`letter_id`);