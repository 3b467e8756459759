CREATE TABLE `agreed_targets` (
	`id` uuid NOT NULL,
	`session_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`lines` json NOT NULL,
	CONSTRAINT `agreed_targets_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `dog_merges` (
	`gone_id` uuid NOT NULL,
	`gone_name` varchar(60) NOT NULL,
	`kept_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `dog_merges_gone_id` PRIMARY KEY(`gone_id`)
);
--> statement-breakpoint
CREATE TABLE `notes` (
	`id` uuid NOT NULL,
	`about` varchar(10) NOT NULL,
	`about_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`text` text NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`struck` json,
	CONSTRAINT `notes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
RENAME TABLE `derived_grading_results` TO `grading_results`;--> statement-breakpoint
ALTER TABLE `grading_results` DROP PRIMARY KEY;--> statement-breakpoint
ALTER TABLE `practice_events` MODIFY COLUMN `clock_off_ms` bigint;--> statement-breakpoint
ALTER TABLE `grading_results` ADD PRIMARY KEY(`grading_id`);--> statement-breakpoint
ALTER TABLE `gradings` ADD `agreed` json;--> statement-breakpoint
ALTER TABLE `gradings` ADD `graded_with` json;--> statement-breakpoint
ALTER TABLE `people` ADD `settings` json;--> statement-breakpoint
ALTER TABLE `room_tables` ADD `removed_on` date;--> statement-breakpoint
ALTER TABLE `school` ADD `grading` json;--> statement-breakpoint
ALTER TABLE `agreed_targets` ADD CONSTRAINT `agreed_targets_session_id_practice_sessions_id_fk` FOREIGN KEY (`session_id`) REFERENCES `practice_sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `dog_merges` ADD CONSTRAINT `dog_merges_kept_id_dogs_id_fk` FOREIGN KEY (`kept_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `agreed_targets_session` ON `agreed_targets` (`session_id`,`at`);--> statement-breakpoint
CREATE INDEX `notes_about` ON `notes` (`about`,`about_id`);