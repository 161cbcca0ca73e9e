-- Whoever works here, and whose each change is.
CREATE TABLE `answers` (
	`person_id` text NOT NULL,
	`at` text NOT NULL,
	`drill` text NOT NULL,
	`item` text NOT NULL,
	`said` text NOT NULL,
	`level` integer NOT NULL,
	PRIMARY KEY(`person_id`, `at`, `drill`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `device_people` (
	`device_id` text NOT NULL,
	`person_id` text NOT NULL,
	PRIMARY KEY(`device_id`, `person_id`),
	FOREIGN KEY (`device_id`) REFERENCES `devices`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`initials` text NOT NULL,
	`colour` integer NOT NULL,
	`keeper` integer NOT NULL,
	`pass_phrase` text,
	`put_away` integer NOT NULL,
	`habits` text
) STRICT;
--> statement-breakpoint
ALTER TABLE `beads` ADD `by` text;--> statement-breakpoint
ALTER TABLE `beads` ADD `outcome_by` text;--> statement-breakpoint
ALTER TABLE `changes` ADD `person` text;--> statement-breakpoint
ALTER TABLE `changes` ADD `by` text;--> statement-breakpoint
ALTER TABLE `sessions` ADD `person_id` text REFERENCES people(id);