ALTER TABLE `trial` ADD `outcome` text DEFAULT 'number' NOT NULL;--> statement-breakpoint
ALTER TABLE `trial` ADD `broke_raw` text;--> statement-breakpoint
ALTER TABLE `trial` ADD `broke_value` real;--> statement-breakpoint
UPDATE `trial` SET `outcome` = CASE WHEN `raw` IS NULL THEN 'failed' WHEN `at_least` THEN 'atLeast' ELSE 'number' END;
