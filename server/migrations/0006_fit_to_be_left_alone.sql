UPDATE `material` SET `pack_size` = min(max(`pack_size`, 0), 1000000), `pack_price_cents` = min(max(`pack_price_cents`, 0), 100000000);--> statement-breakpoint
UPDATE `material` SET `sheet_width_m` = NULL WHERE `sheet_width_m` NOT BETWEEN 0 AND 100;--> statement-breakpoint
UPDATE `material` SET `sheet_height_m` = NULL WHERE `sheet_height_m` NOT BETWEEN 0 AND 100;--> statement-breakpoint
UPDATE `material` SET `per_week` = NULL WHERE `per_week` NOT BETWEEN 0 AND 1000000;--> statement-breakpoint
DELETE FROM `stock_move` WHERE `amount` NOT BETWEEN -1e12 AND 1e12;--> statement-breakpoint
UPDATE `trial` SET `value` = NULL WHERE `value` NOT BETWEEN -1e12 AND 1e12;--> statement-breakpoint
UPDATE `version` SET `guess_value` = NULL WHERE `guess_value` NOT BETWEEN -1e12 AND 1e12;--> statement-breakpoint
CREATE TABLE `erased_entry` (
	`id_hash` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `audit` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`staff_id` text,
	`who` text NOT NULL,
	`area` text NOT NULL,
	`what` text NOT NULL,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `audit_at` ON `audit` (`at`);--> statement-breakpoint
CREATE TABLE `clock_watch` (
	`id` integer PRIMARY KEY NOT NULL,
	`last_at` integer NOT NULL,
	`held` text,
	`steady_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `job` (
	`name` text PRIMARY KEY NOT NULL,
	`started_at` integer NOT NULL,
	`ended_at` integer,
	`ok` integer,
	`words` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `erasing_notice` (
	`run_id` text PRIMARY KEY NOT NULL,
	`due_on` text NOT NULL,
	`announced_at` integer NOT NULL,
	`seen_at` integer,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `__new_entry` (
	`key` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
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
INSERT INTO `__new_entry`("key", "id", "run_id", "brief_version", "alias", "link_hash", "age_band", "said", "source", "state", "sent_at", "revision") SELECT "key", "id", "run_id", "brief_version", "alias", "link_hash", "age_band", "said", "source", "state", "sent_at", "revision" FROM `entry`;--> statement-breakpoint
DROP TABLE `entry`;--> statement-breakpoint
ALTER TABLE `__new_entry` RENAME TO `entry`;--> statement-breakpoint
CREATE UNIQUE INDEX `entry_id_unique` ON `entry` (`id`);--> statement-breakpoint
CREATE UNIQUE INDEX `entry_link_hash_unique` ON `entry` (`link_hash`);--> statement-breakpoint
CREATE INDEX `entry_run` ON `entry` (`run_id`,`state`,`revision`);--> statement-breakpoint
CREATE UNIQUE INDEX `entry_alias` ON `entry` (`run_id`,`alias`);--> statement-breakpoint
ALTER TABLE `staff` ADD `gone` integer DEFAULT false NOT NULL;--> statement-breakpoint
CREATE TABLE `__new_material` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`unit` text NOT NULL,
	`pack_size` real NOT NULL,
	`pack_price_cents` integer NOT NULL,
	`sheet_width_m` real,
	`sheet_height_m` real,
	`allergens` text NOT NULL,
	`small_part` integer NOT NULL,
	`latex` integer NOT NULL,
	`hazards` text DEFAULT '[]' NOT NULL,
	`per_week` real,
	`archived` integer DEFAULT false NOT NULL,
	`revision` integer NOT NULL,
	CONSTRAINT "material_pack_size" CHECK("__new_material"."pack_size" between 0 and 1000000),
	CONSTRAINT "material_pack_price" CHECK("__new_material"."pack_price_cents" between 0 and 100000000),
	CONSTRAINT "material_sheet_width" CHECK("__new_material"."sheet_width_m" between 0 and 100),
	CONSTRAINT "material_sheet_height" CHECK("__new_material"."sheet_height_m" between 0 and 100),
	CONSTRAINT "material_per_week" CHECK("__new_material"."per_week" between 0 and 1000000)
);
--> statement-breakpoint
INSERT INTO `__new_material`("id", "name", "unit", "pack_size", "pack_price_cents", "sheet_width_m", "sheet_height_m", "allergens", "small_part", "latex", "hazards", "per_week", "revision") SELECT "id", "name", "unit", "pack_size", "pack_price_cents", "sheet_width_m", "sheet_height_m", "allergens", "small_part", "latex", "hazards", "per_week", "revision" FROM `material`;--> statement-breakpoint
DROP TABLE `material`;--> statement-breakpoint
ALTER TABLE `__new_material` RENAME TO `material`;--> statement-breakpoint
ALTER TABLE `run` ADD `archived` integer DEFAULT false NOT NULL;--> statement-breakpoint
CREATE TABLE `__new_brief_line` (
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
	`stand_in_ratio` real DEFAULT 1 NOT NULL,
	`tier` text,
	`cut` text,
	PRIMARY KEY(`brief_id`, `id`),
	FOREIGN KEY (`brief_id`) REFERENCES `brief`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "brief_line_amount" CHECK("__new_brief_line"."amount" between 0 and 1000000)
);
--> statement-breakpoint
INSERT INTO `__new_brief_line`("id", "brief_id", "place", "material_id", "per", "kind", "amount", "per_rebuild", "spoil_rate", "spread", "share", "units_per_item", "loss", "source", "stand_in", "stand_in_ratio", "tier", "cut") SELECT "id", "brief_id", "place", "material_id", "per", "kind", "amount", "per_rebuild", "spoil_rate", "spread", "share", "units_per_item", "loss", "source", "stand_in", "stand_in_ratio", "tier", "cut" FROM `brief_line`;--> statement-breakpoint
DROP TABLE `brief_line`;--> statement-breakpoint
ALTER TABLE `__new_brief_line` RENAME TO `brief_line`;--> statement-breakpoint
CREATE TABLE `__new_trial` (
	`id` integer PRIMARY KEY NOT NULL,
	`version_id` integer NOT NULL,
	`number` integer NOT NULL,
	`raw` text,
	`value` real,
	`instrument` text NOT NULL,
	`seen` text NOT NULL,
	`at_least` integer NOT NULL,
	`kept` integer NOT NULL,
	FOREIGN KEY (`version_id`) REFERENCES `version`(`id`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "trial_value" CHECK("__new_trial"."value" between -1000000000000 and 1000000000000)
);
--> statement-breakpoint
INSERT INTO `__new_trial`("id", "version_id", "number", "raw", "value", "instrument", "seen", "at_least", "kept") SELECT "id", "version_id", "number", "raw", "value", "instrument", "seen", "at_least", "kept" FROM `trial`;--> statement-breakpoint
DROP TABLE `trial`;--> statement-breakpoint
ALTER TABLE `__new_trial` RENAME TO `trial`;--> statement-breakpoint
CREATE UNIQUE INDEX `trial_number` ON `trial` (`version_id`,`number`);--> statement-breakpoint
CREATE TABLE `__new_version` (
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
	FOREIGN KEY (`entry_key`) REFERENCES `entry`(`key`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "version_guess" CHECK("__new_version"."guess_value" between -1000000000000 and 1000000000000)
);
--> statement-breakpoint
INSERT INTO `__new_version`("id", "entry_key", "number", "role", "changed", "made_of", "variables", "guess_raw", "guess_value", "place") SELECT "id", "entry_key", "number", "role", "changed", "made_of", "variables", "guess_raw", "guess_value", "place" FROM `version`;--> statement-breakpoint
DROP TABLE `version`;--> statement-breakpoint
ALTER TABLE `__new_version` RENAME TO `version`;--> statement-breakpoint
CREATE UNIQUE INDEX `version_number` ON `version` (`entry_key`,`number`);--> statement-breakpoint
CREATE TABLE `__new_pack` (
	`id` text PRIMARY KEY NOT NULL,
	`supplier_id` text NOT NULL,
	`place` integer NOT NULL,
	`material_id` text NOT NULL,
	`size` real NOT NULL,
	`price_cents` integer NOT NULL,
	`most` integer,
	FOREIGN KEY (`supplier_id`) REFERENCES `supplier`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "pack_size" CHECK("__new_pack"."size" between 0 and 1000000),
	CONSTRAINT "pack_price" CHECK("__new_pack"."price_cents" between 0 and 100000000)
);
--> statement-breakpoint
INSERT INTO `__new_pack`("id", "supplier_id", "place", "material_id", "size", "price_cents", "most") SELECT "id", "supplier_id", "place", "material_id", "size", "price_cents", "most" FROM `pack`;--> statement-breakpoint
DROP TABLE `pack`;--> statement-breakpoint
ALTER TABLE `__new_pack` RENAME TO `pack`;--> statement-breakpoint
CREATE INDEX `pack_supplier` ON `pack` (`supplier_id`);--> statement-breakpoint
CREATE TABLE `__new_purchase_line` (
	`purchase_id` text NOT NULL,
	`place` integer NOT NULL,
	`material_id` text NOT NULL,
	`size` real NOT NULL,
	`count` integer NOT NULL,
	`price_cents` integer NOT NULL,
	PRIMARY KEY(`purchase_id`, `place`),
	FOREIGN KEY (`purchase_id`) REFERENCES `purchase`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "purchase_size" CHECK("__new_purchase_line"."size" between 0 and 1000000),
	CONSTRAINT "purchase_count" CHECK("__new_purchase_line"."count" between 0 and 1000000)
);
--> statement-breakpoint
INSERT INTO `__new_purchase_line`("purchase_id", "place", "material_id", "size", "count", "price_cents") SELECT "purchase_id", "place", "material_id", "size", "count", "price_cents" FROM `purchase_line`;--> statement-breakpoint
DROP TABLE `purchase_line`;--> statement-breakpoint
ALTER TABLE `__new_purchase_line` RENAME TO `purchase_line`;--> statement-breakpoint
CREATE TABLE `__new_stock_move` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`material_id` text NOT NULL,
	`amount` real NOT NULL,
	`reason` text NOT NULL,
	`words` text NOT NULL,
	`purchase_id` text,
	`session_id` text,
	`staff_id` text,
	`at` integer NOT NULL,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`purchase_id`) REFERENCES `purchase`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`session_id`) REFERENCES `session`(`id`) ON UPDATE no action ON DELETE set null,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "stock_move_amount" CHECK("__new_stock_move"."amount" between -1000000000000 and 1000000000000)
);
--> statement-breakpoint
INSERT INTO `__new_stock_move`("id", "material_id", "amount", "reason", "words", "purchase_id", "session_id", "staff_id", "at") SELECT "id", "material_id", "amount", "reason", "words", "purchase_id", "session_id", "staff_id", "at" FROM `stock_move`;--> statement-breakpoint
DROP TABLE `stock_move`;--> statement-breakpoint
ALTER TABLE `__new_stock_move` RENAME TO `stock_move`;--> statement-breakpoint
CREATE INDEX `stock_move_material` ON `stock_move` (`material_id`);--> statement-breakpoint
CREATE INDEX `stock_move_session` ON `stock_move` (`session_id`);