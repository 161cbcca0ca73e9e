-- A job is written after the coupon that names it: without this the whole table is gone through for each.
CREATE INDEX `coupons_by_job` ON `coupons` (`job_id`);