-- Photographs of beads and welds; their files stand beside the database.
CREATE TABLE `pictures` (
	`id` text PRIMARY KEY NOT NULL,
	`bead_id` text,
	`weld_id` text,
	`view` text NOT NULL,
	`taken_at` text NOT NULL,
	`note` text NOT NULL,
	`hash` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`bytes` integer NOT NULL,
	`measuring` text,
	`taken_back` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`bead_id`) REFERENCES `beads`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`weld_id`) REFERENCES `welds`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "of_one" CHECK(("pictures"."bead_id" IS NULL) <> ("pictures"."weld_id" IS NULL))
) STRICT;
--> statement-breakpoint
CREATE INDEX `pictures_by_bead` ON `pictures` (`bead_id`);--> statement-breakpoint
CREATE INDEX `pictures_by_weld` ON `pictures` (`weld_id`);--> statement-breakpoint
CREATE INDEX `pictures_by_hash` ON `pictures` (`hash`);--> statement-breakpoint
CREATE INDEX `pictures_by_revision` ON `pictures` (`revision`);
