INSERT INTO `stock_move` (`material_id`, `amount`, `reason`, `words`, `at`) SELECT `id`, `on_hand`, 'opening', '', unixepoch() * 1000 FROM `material` WHERE `on_hand` <> 0;--> statement-breakpoint
ALTER TABLE `material` DROP COLUMN `on_hand`;
