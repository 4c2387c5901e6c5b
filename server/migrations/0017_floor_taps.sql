CREATE TABLE `floor_tap` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`session_id` text NOT NULL,
	`at` integer NOT NULL,
	`by_tablet` text NOT NULL,
	`body` text NOT NULL,
	`staff_id` text,
	`received_at` integer NOT NULL,
	FOREIGN KEY (`session_id`) REFERENCES `session`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE UNIQUE INDEX `floor_tap_id_unique` ON `floor_tap` (`id`);--> statement-breakpoint
CREATE INDEX `floor_tap_session` ON `floor_tap` (`session_id`,`seq`);