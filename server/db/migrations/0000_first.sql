CREATE TABLE `beads` (
	`id` text PRIMARY KEY NOT NULL,
	`coupon_id` text NOT NULL,
	`number` integer NOT NULL,
	`ran_at` text NOT NULL,
	`settings` text NOT NULL,
	`readings` text,
	`findings` text NOT NULL,
	`verdict` text,
	`move` text,
	`outcome` text,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`coupon_id`) REFERENCES `coupons`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `beads_by_coupon` ON `beads` (`coupon_id`,`number`);--> statement-breakpoint
CREATE TABLE `coupons` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`title` text NOT NULL,
	`job` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `coupons_by_time` ON `coupons` (`created_at`);--> statement-breakpoint
CREATE TABLE `rigs` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`rig` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`arc_control_rising` text NOT NULL,
	`display` text NOT NULL
);
