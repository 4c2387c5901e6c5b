CREATE TABLE `prize_drawn` (
	`run_id` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL,
	`staff_id` text,
	`among` text NOT NULL,
	`seed` integer NOT NULL,
	`list` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `prize_win` (
	`entry_key` integer PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`place` integer NOT NULL,
	`code` text NOT NULL,
	`claimed_at` integer,
	`claimed_by` text,
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`claimed_by`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `prize_win_code_unique` ON `prize_win` (`code`);--> statement-breakpoint
CREATE INDEX `prize_win_run` ON `prize_win` (`run_id`);