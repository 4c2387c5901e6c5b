ALTER TABLE `purchase_line` ADD `came` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `purchase_line` SET `came` = `count` WHERE `purchase_id` IN (SELECT `id` FROM `purchase` WHERE `state` = 'arrived');
