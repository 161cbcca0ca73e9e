-- What is fitted becomes a dated setup, the plate a version of a job; a bead names both. Every older row is carried over:
-- its bead gets the setup and the plate as they are known now, marked as assumed.
ALTER TABLE `beads` RENAME TO `old_beads`;--> statement-breakpoint
ALTER TABLE `coupons` RENAME TO `old_coupons`;--> statement-breakpoint
ALTER TABLE `rigs` RENAME TO `old_rigs`;--> statement-breakpoint
DROP INDEX `beads_by_coupon`;--> statement-breakpoint
DROP INDEX `coupons_by_time`;--> statement-breakpoint
CREATE TABLE `ledger` (
	`id` integer PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`begun` integer NOT NULL,
	`incomplete` integer NOT NULL,
	CONSTRAINT "one_ledger" CHECK("ledger"."id" = 1)
) STRICT;
--> statement-breakpoint
CREATE TABLE `rigs` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`note` text NOT NULL,
	`put_away` integer NOT NULL,
	`setup_id` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action DEFERRABLE INITIALLY DEFERRED
) STRICT;
--> statement-breakpoint
CREATE INDEX `rigs_by_revision` ON `rigs` (`revision`);--> statement-breakpoint
CREATE TABLE `setups` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`fitted_at` text NOT NULL,
	`facts` text NOT NULL,
	`assumed` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action DEFERRABLE INITIALLY DEFERRED
) STRICT;
--> statement-breakpoint
CREATE INDEX `setups_by_rig` ON `setups` (`rig_id`,`fitted_at`);--> statement-breakpoint
CREATE TABLE `coupons` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`title` text NOT NULL,
	`created_at` text NOT NULL,
	`put_away` integer NOT NULL,
	`job_id` text NOT NULL,
	`bead_count` integer NOT NULL,
	`sound_number` integer,
	`revision` integer NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action DEFERRABLE INITIALLY DEFERRED
) STRICT;
--> statement-breakpoint
CREATE INDEX `coupons_by_time` ON `coupons` (`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `coupons_by_revision` ON `coupons` (`revision`);--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`coupon_id` text NOT NULL,
	`at` text NOT NULL,
	`job` text NOT NULL,
	FOREIGN KEY (`coupon_id`) REFERENCES `coupons`(`id`) ON UPDATE no action ON DELETE no action DEFERRABLE INITIALLY DEFERRED
) STRICT;
--> statement-breakpoint
CREATE INDEX `jobs_by_coupon` ON `jobs` (`coupon_id`,`at`);--> statement-breakpoint
CREATE TABLE `beads` (
	`id` text PRIMARY KEY NOT NULL,
	`coupon_id` text NOT NULL,
	`number` integer NOT NULL,
	`setup_id` text NOT NULL,
	`job_id` text NOT NULL,
	`ran_at` text NOT NULL,
	`facts` text NOT NULL,
	`appearance` text,
	`shows` text,
	`outcome` text,
	`note` text NOT NULL,
	`taken_back` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`coupon_id`) REFERENCES `coupons`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `beads_by_number` ON `beads` (`coupon_id`,`number`);--> statement-breakpoint
CREATE INDEX `beads_by_revision` ON `beads` (`revision`);--> statement-breakpoint
-- Every row gets a revision of its own, so that devices can fetch them in small pages.
-- One id for each new row: a UUID of version 7 with the time of this migration in front.
CREATE TEMP TABLE `new_ids` AS
SELECT `kind`, `of`,
	substr(`stamp`, 1, 8) || '-' || substr(`stamp`, 9, 4) || '-7' || substr(lower(hex(randomblob(2))), 1, 3) || '-8' ||
	substr(lower(hex(randomblob(2))), 1, 3) || '-' || lower(hex(randomblob(6))) AS `id`
FROM (
	SELECT 'setup' AS `kind`, `id` AS `of`, printf('%012x', CAST(unixepoch('subsec') * 1000 AS integer)) AS `stamp` FROM `old_rigs`
	UNION ALL
	SELECT 'job', `id`, printf('%012x', CAST(unixepoch('subsec') * 1000 AS integer)) FROM `old_coupons`
);--> statement-breakpoint
INSERT INTO `ledger` (`id`, `revision`, `begun`, `incomplete`)
SELECT 1, (SELECT count(*) FROM `old_rigs`) + (SELECT count(*) FROM `old_coupons`) + (SELECT count(*) FROM `old_beads`),
	EXISTS (SELECT 1 FROM `old_rigs`), EXISTS (SELECT 1 FROM `old_beads`);--> statement-breakpoint
INSERT INTO `rigs` (`id`, `name`, `note`, `put_away`, `setup_id`, `revision`)
SELECT `r`.`id`, `r`.`name`, `r`.`note`, 0, `n`.`id`, row_number() OVER (ORDER BY `r`.`id`)
FROM `old_rigs` `r` JOIN `new_ids` `n` ON `n`.`kind` = 'setup' AND `n`.`of` = `r`.`id`;--> statement-breakpoint
INSERT INTO `setups` (`id`, `rig_id`, `fitted_at`, `facts`, `assumed`, `revision`)
SELECT `n`.`id`, `r`.`id`,
	coalesce((SELECT min(strftime('%Y-%m-%dT%H:%M:%fZ', `c`.`created_at`)) FROM `old_coupons` `c` WHERE `c`.`rig_id` = `r`.`id`), strftime('%Y-%m-%dT%H:%M:%fZ', 'now')),
	'{"rig":' || `r`.`rig` || ',"arcControlRising":' || json_quote(`r`.`arc_control_rising`) || ',"display":' || json_quote(`r`.`display`) || '}',
	1, row_number() OVER (ORDER BY `r`.`id`)
FROM `old_rigs` `r` JOIN `new_ids` `n` ON `n`.`kind` = 'setup' AND `n`.`of` = `r`.`id`;--> statement-breakpoint
INSERT INTO `coupons` (`id`, `rig_id`, `title`, `created_at`, `put_away`, `job_id`, `bead_count`, `sound_number`, `revision`)
SELECT `c`.`id`, `c`.`rig_id`, `c`.`title`, coalesce(strftime('%Y-%m-%dT%H:%M:%fZ', `c`.`created_at`), `c`.`created_at`), 0, `n`.`id`, 0, NULL,
	(SELECT count(*) FROM `old_rigs`) + row_number() OVER (ORDER BY `c`.`created_at`, `c`.`id`)
FROM `old_coupons` `c` JOIN `new_ids` `n` ON `n`.`kind` = 'job' AND `n`.`of` = `c`.`id`;--> statement-breakpoint
INSERT INTO `jobs` (`id`, `coupon_id`, `at`, `job`)
SELECT `n`.`id`, `c`.`id`, coalesce(strftime('%Y-%m-%dT%H:%M:%fZ', `c`.`created_at`), `c`.`created_at`), `c`.`job`
FROM `old_coupons` `c` JOIN `new_ids` `n` ON `n`.`kind` = 'job' AND `n`.`of` = `c`.`id`;--> statement-breakpoint
-- Numbers stay, but where a coupon carries one twice: there the beads are numbered anew in their order.
INSERT INTO `beads` (`id`, `coupon_id`, `number`, `setup_id`, `job_id`, `ran_at`, `facts`, `appearance`, `shows`, `outcome`, `note`, `taken_back`, `revision`)
SELECT `b`.`id`, `b`.`coupon_id`,
	CASE WHEN EXISTS (
		SELECT 1 FROM `old_beads` `x` WHERE `x`.`coupon_id` = `b`.`coupon_id` GROUP BY `x`.`number` HAVING count(*) > 1
	) THEN row_number() OVER (PARTITION BY `b`.`coupon_id` ORDER BY `b`.`number`, `b`.`ran_at`, `b`.`id`) ELSE `b`.`number` END,
	`s`.`id`, `j`.`id`, coalesce(strftime('%Y-%m-%dT%H:%M:%fZ', `b`.`ran_at`), `b`.`ran_at`),
	'{"settings":' || `b`.`settings` || ',"readings":' || coalesce(`b`.`readings`, '{}') || ',"schools":{},"findings":' || `b`.`findings` ||
	',"verdict":' || coalesce(`b`.`verdict`, 'null') || ',"move":' || coalesce(`b`.`move`, 'null') || ',"judgedBy":null}',
	NULL, NULL, `b`.`outcome`, `b`.`note`, 0,
	(SELECT count(*) FROM `old_rigs`) + (SELECT count(*) FROM `old_coupons`) + row_number() OVER (ORDER BY `b`.`ran_at`, `b`.`id`)
FROM `old_beads` `b`
JOIN `old_coupons` `c` ON `c`.`id` = `b`.`coupon_id`
JOIN `new_ids` `s` ON `s`.`kind` = 'setup' AND `s`.`of` = `c`.`rig_id`
JOIN `new_ids` `j` ON `j`.`kind` = 'job' AND `j`.`of` = `c`.`id`;--> statement-breakpoint
UPDATE `coupons` SET
	`bead_count` = (SELECT count(*) FROM `beads` `b` WHERE `b`.`coupon_id` = `coupons`.`id`),
	`sound_number` = (SELECT min(`b`.`number`) FROM `beads` `b` WHERE `b`.`coupon_id` = `coupons`.`id` AND `b`.`outcome` = 'sound');--> statement-breakpoint
DROP TABLE `new_ids`;--> statement-breakpoint
DROP TABLE `old_beads`;--> statement-breakpoint
DROP TABLE `old_coupons`;--> statement-breakpoint
DROP TABLE `old_rigs`;
