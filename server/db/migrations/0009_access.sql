-- Who may come in from the network.
CREATE TABLE `access` (
	`id` integer PRIMARY KEY NOT NULL,
	`pass_phrase` text NOT NULL,
	`set_at` text NOT NULL,
	CONSTRAINT "one_access" CHECK("access"."id" = 1)
) STRICT;
--> statement-breakpoint
CREATE TABLE `devices` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`first_at` text NOT NULL,
	`last_at` text NOT NULL,
	`last_from` text NOT NULL,
	`shut_out_at` text
) STRICT;
--> statement-breakpoint
CREATE TABLE `join_codes` (
	`code_hash` text PRIMARY KEY NOT NULL,
	`good_until` text NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`device_id` text NOT NULL,
	`began_at` text NOT NULL,
	`last_at` text NOT NULL,
	FOREIGN KEY (`device_id`) REFERENCES `devices`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `sessions_by_device` ON `sessions` (`device_id`);--> statement-breakpoint
CREATE TABLE `wrong_tries` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`from` text NOT NULL,
	`at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE INDEX `wrong_tries_by_address` ON `wrong_tries` (`from`,`at`);--> statement-breakpoint
CREATE INDEX `wrong_tries_by_time` ON `wrong_tries` (`at`);