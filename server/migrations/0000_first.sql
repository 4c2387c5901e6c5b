CREATE TABLE `brief` (
	`id` text PRIMARY KEY NOT NULL,
	`family` text NOT NULL,
	`story` text NOT NULL,
	`spec` text NOT NULL,
	`design` text NOT NULL,
	`trials` integer NOT NULL,
	`youngest_age` integer NOT NULL,
	`sketch_first` integer NOT NULL,
	`plain_build_shown` integer NOT NULL,
	`build_by` text NOT NULL,
	`team_size` integer NOT NULL,
	`rebuild_rate` real NOT NULL,
	`loops` integer NOT NULL,
	`target` real NOT NULL,
	`seats_per_table` integer NOT NULL,
	`share_at_once` real NOT NULL,
	`rig_serves` real NOT NULL,
	`revision` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `brief_caution` (
	`id` text NOT NULL,
	`brief_id` text NOT NULL,
	`place` integer NOT NULL,
	`words` text NOT NULL,
	PRIMARY KEY(`brief_id`, `id`),
	FOREIGN KEY (`brief_id`) REFERENCES `brief`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `brief_line` (
	`id` text NOT NULL,
	`brief_id` text NOT NULL,
	`place` integer NOT NULL,
	`material_id` text NOT NULL,
	`per` text NOT NULL,
	`kind` text NOT NULL,
	`amount` real NOT NULL,
	`per_rebuild` real NOT NULL,
	`spoil_rate` real NOT NULL,
	`spread` real NOT NULL,
	`share` real NOT NULL,
	`units_per_item` real NOT NULL,
	`loss` real NOT NULL,
	`source` text NOT NULL,
	`stand_in` text NOT NULL,
	`tier` text,
	`cut` text,
	PRIMARY KEY(`brief_id`, `id`),
	FOREIGN KEY (`brief_id`) REFERENCES `brief`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `brief_tier` (
	`id` text NOT NULL,
	`brief_id` text NOT NULL,
	`place` integer NOT NULL,
	`kind` text NOT NULL,
	`words` text NOT NULL,
	`share` real NOT NULL,
	PRIMARY KEY(`brief_id`, `id`),
	FOREIGN KEY (`brief_id`) REFERENCES `brief`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `brief_version` (
	`brief_id` text NOT NULL,
	`number` integer NOT NULL,
	`frozen` text NOT NULL,
	`of_revision` integer NOT NULL,
	`at` integer NOT NULL,
	`staff_id` text,
	PRIMARY KEY(`brief_id`, `number`),
	FOREIGN KEY (`brief_id`) REFERENCES `brief`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `closure` (
	`id` text PRIMARY KEY NOT NULL,
	`from_date` text NOT NULL,
	`to_date` text NOT NULL,
	`why` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `consent` (
	`entry_key` integer NOT NULL,
	`to` text NOT NULL,
	`given` integer NOT NULL,
	`at` integer NOT NULL,
	`words` text NOT NULL,
	PRIMARY KEY(`entry_key`, `to`),
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `correction` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`entry_id` text NOT NULL,
	`at` integer NOT NULL,
	`by` text NOT NULL,
	`before` text NOT NULL,
	FOREIGN KEY (`entry_id`) REFERENCES `entry`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `correction_entry` ON `correction` (`entry_id`);--> statement-breakpoint
CREATE TABLE `entry` (
	`key` integer PRIMARY KEY NOT NULL,
	`id` text NOT NULL,
	`run_id` text NOT NULL,
	`brief_version` integer NOT NULL,
	`alias` text NOT NULL,
	`link_hash` text,
	`age_band` text,
	`said` text NOT NULL,
	`source` text NOT NULL,
	`state` text NOT NULL,
	`sent_at` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `entry_id_unique` ON `entry` (`id`);--> statement-breakpoint
CREATE UNIQUE INDEX `entry_link_hash_unique` ON `entry` (`link_hash`);--> statement-breakpoint
CREATE INDEX `entry_run` ON `entry` (`run_id`,`state`);--> statement-breakpoint
CREATE UNIQUE INDEX `entry_alias` ON `entry` (`run_id`,`alias`);--> statement-breakpoint
CREATE TABLE `house` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`zone` text NOT NULL,
	`currency` text NOT NULL,
	`units` text NOT NULL,
	`public_url` text NOT NULL,
	`url_from_server` text,
	`keeping_days` integer NOT NULL,
	`revision` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `material` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`unit` text NOT NULL,
	`pack_size` real NOT NULL,
	`pack_price_cents` integer NOT NULL,
	`on_hand` real NOT NULL,
	`sheet_width_m` real,
	`sheet_height_m` real,
	`allergens` text NOT NULL,
	`small_part` integer NOT NULL,
	`latex` integer NOT NULL,
	`revision` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `outbox` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`to` text NOT NULL,
	`subject` text NOT NULL,
	`body` text NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `room` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`length_m` real,
	`width_m` real,
	`height_m` real,
	`seats` integer NOT NULL,
	`water` integer NOT NULL,
	`floor` text NOT NULL,
	`place` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `run` (
	`id` text PRIMARY KEY NOT NULL,
	`brief_id` text NOT NULL,
	`title` text NOT NULL,
	`kind` text NOT NULL,
	`status` text NOT NULL,
	`code` text,
	`published_version` integer,
	`opens_on` text,
	`closes_on` text,
	`reveal_on` text,
	`scoring` text NOT NULL,
	`units` text NOT NULL,
	`heads` text NOT NULL,
	`afterwards` text NOT NULL,
	`created_at` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`brief_id`) REFERENCES `brief`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `run_code_unique` ON `run` (`code`);--> statement-breakpoint
CREATE INDEX `run_brief` ON `run` (`brief_id`);--> statement-breakpoint
CREATE TABLE `session` (
	`id` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`title` text NOT NULL,
	`room_id` text NOT NULL,
	`start_at` integer NOT NULL,
	`start_wall` text NOT NULL,
	`zone` text NOT NULL,
	`minutes` integer NOT NULL,
	`set_up_min` integer NOT NULL,
	`tear_down_min` integer NOT NULL,
	`heads` text NOT NULL,
	`cancelled` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`room_id`) REFERENCES `room`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `session_run` ON `session` (`run_id`);--> statement-breakpoint
CREATE INDEX `session_room` ON `session` (`room_id`,`start_at`);--> statement-breakpoint
CREATE TABLE `sift_decision` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`entry_id` text NOT NULL,
	`decision` text NOT NULL,
	`why` text NOT NULL,
	`staff_id` text,
	`at` integer NOT NULL,
	FOREIGN KEY (`entry_id`) REFERENCES `entry`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sift_entry` ON `sift_decision` (`entry_id`);--> statement-breakpoint
CREATE TABLE `signed_in` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`staff_id` text NOT NULL,
	`until` integer NOT NULL,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `signed_in_staff` ON `signed_in` (`staff_id`);--> statement-breakpoint
CREATE TABLE `staff` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`sign_in` text NOT NULL,
	`role` text NOT NULL,
	`password_hash` text NOT NULL,
	`active` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `staff_sign_in_unique` ON `staff` (`sign_in`);--> statement-breakpoint
CREATE TABLE `trial` (
	`id` integer PRIMARY KEY NOT NULL,
	`version_id` integer NOT NULL,
	`number` integer NOT NULL,
	`raw` text,
	`value` real,
	`instrument` text NOT NULL,
	`seen` text NOT NULL,
	`at_least` integer NOT NULL,
	`kept` integer NOT NULL,
	FOREIGN KEY (`version_id`) REFERENCES `version`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `trial_number` ON `trial` (`version_id`,`number`);--> statement-breakpoint
CREATE TABLE `undo_step` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`run_id` text NOT NULL,
	`staff_id` text NOT NULL,
	`kind` text NOT NULL,
	`subject` text NOT NULL,
	`words` text NOT NULL,
	`before` text,
	`revision_before` integer NOT NULL,
	`revision_after` integer NOT NULL,
	`at` integer NOT NULL,
	`undone` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `undo_run` ON `undo_step` (`run_id`,`staff_id`);--> statement-breakpoint
CREATE TABLE `version` (
	`id` integer PRIMARY KEY NOT NULL,
	`entry_key` integer NOT NULL,
	`number` integer NOT NULL,
	`role` text NOT NULL,
	`changed` text NOT NULL,
	`made_of` text NOT NULL,
	`variables` text NOT NULL,
	`guess_raw` text,
	`guess_value` real,
	`place` text,
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `version_number` ON `version` (`entry_key`,`number`);