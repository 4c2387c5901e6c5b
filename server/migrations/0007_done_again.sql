ALTER TABLE `undo_step` ADD `after` text;--> statement-breakpoint
ALTER TABLE `undo_step` ADD `revision_undone` integer;