-- Every change by its own id, and what it changed.
CREATE TABLE `changes` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`of` text NOT NULL,
	`coupon_id` text,
	`device` text,
	`made_at` text NOT NULL,
	`revision` integer NOT NULL,
	`fields` text NOT NULL,
	`before` text NOT NULL,
	`overrode` text,
	FOREIGN KEY (`coupon_id`) REFERENCES `coupons`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `changes_by_thing` ON `changes` (`of`,`revision`);--> statement-breakpoint
CREATE INDEX `changes_by_coupon` ON `changes` (`coupon_id`,`revision`);--> statement-breakpoint
CREATE INDEX `changes_that_overrode` ON `changes` (`revision`) WHERE "changes"."overrode" IS NOT NULL;
