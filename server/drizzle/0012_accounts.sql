CREATE TABLE `account_events` (
	`seq` int AUTO_INCREMENT NOT NULL,
	`person_id` uuid NOT NULL,
	`kind` varchar(12) NOT NULL,
	`by_person` uuid,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `account_events_seq` PRIMARY KEY(`seq`)
);
--> statement-breakpoint
ALTER TABLE `letters` ADD `made_by` uuid;--> statement-breakpoint
CREATE INDEX `account_events_person` ON `account_events` (`person_id`);--> statement-breakpoint
-- who was staff before accounts were confirmed stays a signer; who was invited and had not come yet is confirmed by a colleague
INSERT INTO `account_events` (`person_id`, `kind`, `by_person`, `at`)
SELECT `id`, IF(`password_hash` = '!', 'made', 'founded'), NULL, UTC_TIMESTAMP(3) FROM `people` WHERE `role` IN ('lead', 'instructor') ORDER BY `id`;
