-- Settings that were proved, the welds made with them, their inspections and repairs, and the levels they are held against.
CREATE TABLE `levels` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`use` text NOT NULL,
	`limits` text NOT NULL,
	`revision` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `proven` (
	`id` text PRIMARY KEY NOT NULL,
	`bead_id` text NOT NULL,
	`rig_id` text NOT NULL,
	`proven_at` text NOT NULL,
	`by` text NOT NULL,
	`how` text NOT NULL,
	`run` text,
	`note` text NOT NULL,
	`put_away` integer NOT NULL,
	`base_metal` text,
	`thickness_mm` real,
	`position` text,
	`joint` text,
	`wire_class` text,
	`wire_mm` real,
	`weld_count` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`bead_id`) REFERENCES `beads`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `proven_by_time` ON `proven` (`put_away`,`proven_at`,`id`);--> statement-breakpoint
CREATE INDEX `proven_by_rig` ON `proven` (`rig_id`,`proven_at`);--> statement-breakpoint
CREATE INDEX `proven_by_bead` ON `proven` (`bead_id`);--> statement-breakpoint
CREATE INDEX `proven_by_revision` ON `proven` (`revision`);--> statement-breakpoint
CREATE TABLE `weld_steps` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`weld_id` text NOT NULL,
	`kind` text NOT NULL,
	`facts` text NOT NULL,
	FOREIGN KEY (`weld_id`) REFERENCES `welds`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `weld_steps_by_id` ON `weld_steps` (`id`);--> statement-breakpoint
CREATE INDEX `weld_steps_by_weld` ON `weld_steps` (`weld_id`,`seq`);--> statement-breakpoint
CREATE TABLE `welds` (
	`id` text PRIMARY KEY NOT NULL,
	`proven_id` text NOT NULL,
	`title` text NOT NULL,
	`welded_at` text NOT NULL,
	`by` text NOT NULL,
	`length_mm` real,
	`note` text NOT NULL,
	`put_away` integer NOT NULL,
	`state` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`proven_id`) REFERENCES `proven`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `welds_by_time` ON `welds` (`put_away`,`welded_at`,`id`);--> statement-breakpoint
CREATE INDEX `welds_by_setting` ON `welds` (`proven_id`,`welded_at`);--> statement-breakpoint
CREATE INDEX `welds_by_revision` ON `welds` (`revision`);