CREATE TABLE `agreed_targets` (
	`id` uuid NOT NULL,
	`session_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`lines` json NOT NULL,
	CONSTRAINT `agreed_targets_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
RENAME TABLE `derived_grading_results` TO `grading_results`;--> statement-breakpoint
ALTER TABLE `grading_results` DROP PRIMARY KEY;--> statement-breakpoint
ALTER TABLE `grading_results` ADD PRIMARY KEY(`grading_id`);--> statement-breakpoint
ALTER TABLE `gradings` ADD `agreed` json;--> statement-breakpoint
ALTER TABLE `gradings` ADD `graded_with` json;--> statement-breakpoint
ALTER TABLE `school` ADD `grading` json;--> statement-breakpoint
ALTER TABLE `agreed_targets` ADD CONSTRAINT `agreed_targets_session_id_practice_sessions_id_fk` FOREIGN KEY (`session_id`) REFERENCES `practice_sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `agreed_targets_session` ON `agreed_targets` (`session_id`,`at`);