ALTER TABLE `brief` ADD `outcomes` text DEFAULT '{"main":{"kind":"number"},"failed":"family","further":[],"setting":null,"versions":2,"answered":false,"questions":null,"tokens":[]}' NOT NULL;--> statement-breakpoint
ALTER TABLE `entry` ADD `tokens` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `entry` ADD `answers` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `trial` ADD `rung` integer;--> statement-breakpoint
ALTER TABLE `trial` ADD `setting` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `setting_value` real;--> statement-breakpoint
ALTER TABLE `trial` ADD `further` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `trial` ADD `further_values` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `version` ADD `guessed` text;