ALTER TABLE `brief_line` ADD `bind` text DEFAULT '{"amount":null,"cutWidth":null,"cutHeight":null,"material":null}' NOT NULL;--> statement-breakpoint
UPDATE `brief` SET `spec` = json_remove(`spec`, '$.buildS') WHERE `family` = 'tall';
