CREATE TABLE `held_back` (
	`id` integer PRIMARY KEY NOT NULL,
	`restored_at` integer NOT NULL
);
