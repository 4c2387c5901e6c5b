CREATE TABLE `step_mark` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`done` integer NOT NULL,
	`owner` text,
	`at` integer NOT NULL,
	`staff_id` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE cascade
);
