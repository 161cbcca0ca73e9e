-- Everything that happened as one searched list, kept up by triggers that name what has to be listed anew.
CREATE TABLE `entries` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`of` text NOT NULL,
	`at` text NOT NULL,
	`rig_id` text NOT NULL,
	`coupon_id` text,
	`weld_id` text,
	`by` text,
	`title` text NOT NULL,
	`says` text NOT NULL,
	`cause` text,
	`outcome` text,
	`base_metal` text,
	`thickness_mm` real,
	`put_away` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `entries_by_thing` ON `entries` (`kind`,`of`);--> statement-breakpoint
CREATE INDEX `entries_by_time` ON `entries` (`put_away`,`at`,`id`);--> statement-breakpoint
CREATE INDEX `entries_by_cause` ON `entries` (`cause`,`put_away`,`at`);--> statement-breakpoint
CREATE INDEX `entries_by_rig` ON `entries` (`rig_id`,`put_away`,`at`);--> statement-breakpoint
CREATE INDEX `entries_by_person` ON `entries` (`by`,`put_away`,`at`);--> statement-breakpoint
CREATE INDEX `entries_by_coupon` ON `entries` (`coupon_id`);--> statement-breakpoint
CREATE TABLE `entry_findings` (
	`entry_id` integer NOT NULL,
	`finding` text NOT NULL,
	PRIMARY KEY(`finding`, `entry_id`),
	FOREIGN KEY (`entry_id`) REFERENCES `entries`(`id`) ON UPDATE no action ON DELETE cascade
) STRICT;
--> statement-breakpoint
CREATE INDEX `findings_by_entry` ON `entry_findings` (`entry_id`);--> statement-breakpoint
CREATE TABLE `stale_entries` (
	`kind` text NOT NULL,
	`of` text NOT NULL,
	PRIMARY KEY(`kind`, `of`)
) STRICT;
--> statement-breakpoint
CREATE VIRTUAL TABLE `entry_words` USING fts5(`words`, content='', contentless_delete=1, tokenize="unicode61 remove_diacritics 2", prefix='2 3');
--> statement-breakpoint
CREATE TRIGGER `beads_entered` AFTER INSERT ON `beads` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('bead', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `beads_changed` AFTER UPDATE ON `beads` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('bead', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `proven_entered` AFTER INSERT ON `proven` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('proven', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `proven_changed` AFTER UPDATE OF note, put_away ON `proven` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('proven', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `welds_entered` AFTER INSERT ON `welds` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('weld', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `welds_changed` AFTER UPDATE OF title, note, put_away, state ON `welds` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('weld', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `coupons_entered` AFTER INSERT ON `coupons` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('coupon', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `coupons_changed` AFTER UPDATE OF title, put_away, job_id ON `coupons` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'coupon', NEW.id UNION ALL SELECT 'bead', id FROM beads WHERE coupon_id = NEW.id UNION ALL SELECT 'proven', p.id FROM proven p JOIN beads b ON b.id = p.bead_id WHERE b.coupon_id = NEW.id; END;
--> statement-breakpoint
CREATE TRIGGER `welds_put_away` AFTER UPDATE OF title, put_away ON `welds` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) SELECT kind, id FROM weld_steps WHERE weld_id = NEW.id; END;
--> statement-breakpoint
CREATE TRIGGER `weld_steps_entered` AFTER INSERT ON `weld_steps` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES (NEW.kind, NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `setups_entered` AFTER INSERT ON `setups` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('refit', NEW.id); END;
--> statement-breakpoint
CREATE TRIGGER `care_entered` AFTER INSERT ON `care` BEGIN INSERT OR IGNORE INTO stale_entries (kind, of) VALUES ('care', NEW.id); END;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'coupon', id FROM `coupons`;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'bead', id FROM `beads`;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'proven', id FROM `proven`;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'weld', id FROM `welds`;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT kind, id FROM `weld_steps`;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'refit', id FROM `setups`;
--> statement-breakpoint
INSERT OR IGNORE INTO stale_entries (kind, of) SELECT 'care', id FROM `care`;
