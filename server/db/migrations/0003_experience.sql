ALTER TABLE `rigs` ADD `learns_since` text;--> statement-breakpoint
ALTER TABLE `rigs` ADD `run_out_scale` real;--> statement-breakpoint
CREATE INDEX `beads_by_setup` ON `beads` (`setup_id`,`ran_at`);