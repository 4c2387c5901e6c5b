CREATE TABLE `pack` (
	`id` text PRIMARY KEY NOT NULL,
	`supplier_id` text NOT NULL,
	`place` integer NOT NULL,
	`material_id` text NOT NULL,
	`size` real NOT NULL,
	`price_cents` integer NOT NULL,
	`most` integer,
	FOREIGN KEY (`supplier_id`) REFERENCES `supplier`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `pack_supplier` ON `pack` (`supplier_id`);--> statement-breakpoint
CREATE TABLE `purchase` (
	`id` text PRIMARY KEY NOT NULL,
	`supplier_id` text NOT NULL,
	`placed_on` text NOT NULL,
	`due_on` text NOT NULL,
	`state` text NOT NULL,
	`arrived_on` text,
	`fee_cents` integer NOT NULL,
	`staff_id` text,
	`at` integer NOT NULL,
	FOREIGN KEY (`supplier_id`) REFERENCES `supplier`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `purchase_line` (
	`purchase_id` text NOT NULL,
	`place` integer NOT NULL,
	`material_id` text NOT NULL,
	`size` real NOT NULL,
	`count` integer NOT NULL,
	`price_cents` integer NOT NULL,
	PRIMARY KEY(`purchase_id`, `place`),
	FOREIGN KEY (`purchase_id`) REFERENCES `purchase`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`material_id`) REFERENCES `material`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `stock_move` (
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
	FOREIGN KEY (`staff_id`) REFERENCES `staff`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `stock_move_material` ON `stock_move` (`material_id`);--> statement-breakpoint
CREATE INDEX `stock_move_session` ON `stock_move` (`session_id`);--> statement-breakpoint
CREATE TABLE `supplier` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`lead_days` integer NOT NULL,
	`fee_cents` integer NOT NULL,
	`free_from_cents` integer,
	`least_cents` integer NOT NULL,
	`revision` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `brief` ADD `turned_away` text;--> statement-breakpoint
ALTER TABLE `house` ADD `preparing` text;--> statement-breakpoint
ALTER TABLE `material` ADD `per_week` real;