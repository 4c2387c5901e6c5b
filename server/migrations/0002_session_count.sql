CREATE TABLE `session_count` (
	`session_id` text PRIMARY KEY NOT NULL,
	`builders` integer NOT NULL,
	`rebuilds` text NOT NULL,
	`lines` text NOT NULL,
	`used` text NOT NULL,
	`staff_id` text,
	`at` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`session_id`) REFERENCES `session`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
