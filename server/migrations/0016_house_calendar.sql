CREATE TABLE `feed` (
	`id` text PRIMARY KEY NOT NULL,
	`scope` text NOT NULL,
	`subject` text NOT NULL,
	`token_hash` text NOT NULL,
	`made_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `feed_token_hash_unique` ON `feed` (`token_hash`);--> statement-breakpoint
CREATE TABLE `person` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`week_hours` real,
	`away` text NOT NULL,
	`place` integer NOT NULL
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_session` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`title` text NOT NULL,
	`room_id` text,
	`start_at` integer NOT NULL,
	`start_wall` text NOT NULL,
	`zone` text NOT NULL,
	`minutes` integer NOT NULL,
	`set_up_min` integer NOT NULL,
	`tear_down_min` integer NOT NULL,
	`heads` text NOT NULL,
	`cancelled` integer NOT NULL,
	`people` text DEFAULT '[]' NOT NULL,
	`part` integer,
	`repeat_id` text,
	`sequence` integer DEFAULT 0 NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`room_id`) REFERENCES `room`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_session`("id", "run_id", "title", "room_id", "start_at", "start_wall", "zone", "minutes", "set_up_min", "tear_down_min", "heads", "cancelled", "revision") SELECT "id", "run_id", "title", "room_id", "start_at", "start_wall", "zone", "minutes", "set_up_min", "tear_down_min", "heads", "cancelled", "revision" FROM `session`;--> statement-breakpoint
DROP TABLE `session`;--> statement-breakpoint
ALTER TABLE `__new_session` RENAME TO `session`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `session_run` ON `session` (`run_id`);--> statement-breakpoint
CREATE INDEX `session_room` ON `session` (`room_id`,`start_at`);--> statement-breakpoint
ALTER TABLE `house` ADD `rules` text;--> statement-breakpoint
ALTER TABLE `house` ADD `rigs` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `run` ADD `series` text;--> statement-breakpoint
ALTER TABLE `undo_step` ADD `batch` text;