-- What was looked after on a machine.
CREATE TABLE `care` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`task` text NOT NULL,
	`done_at` text NOT NULL,
	`by` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `care_by_rig` ON `care` (`rig_id`,`task`,`done_at`);