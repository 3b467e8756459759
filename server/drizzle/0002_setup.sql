CREATE TABLE `closed_days` (
	`on_date` date NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `closed_days_on_date` PRIMARY KEY(`on_date`)
);
--> statement-breakpoint
CREATE TABLE `cohorts` (
	`name` varchar(60) NOT NULL,
	`started_on` date NOT NULL,
	`ended_on` date,
	CONSTRAINT `cohorts_name` PRIMARY KEY(`name`)
);
--> statement-breakpoint
CREATE TABLE `invitations` (
	`token_hash` varchar(64) NOT NULL,
	`person_id` uuid NOT NULL,
	`kind` varchar(10) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `invitations_token_hash` PRIMARY KEY(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `letters` (
	`id` uuid NOT NULL,
	`person_id` uuid,
	`address` varchar(120) NOT NULL,
	`subject` varchar(200) NOT NULL,
	`body` text NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `letters_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `pictures` (
	`id` uuid NOT NULL,
	`session_id` uuid NOT NULL,
	`moment` varchar(10) NOT NULL,
	`stance` varchar(10) NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`width_px` int NOT NULL,
	`height_px` int NOT NULL,
	`bytes` mediumblob NOT NULL,
	CONSTRAINT `pictures_id` PRIMARY KEY(`id`),
	CONSTRAINT `pictures_one_each` UNIQUE(`session_id`,`moment`,`stance`)
);
--> statement-breakpoint
CREATE TABLE `rack_changes` (
	`seq` int NOT NULL,
	`at` datetime(3) NOT NULL,
	`by_person` uuid NOT NULL,
	`what` varchar(200) NOT NULL,
	`rack_before` json NOT NULL,
	CONSTRAINT `rack_changes_seq` PRIMARY KEY(`seq`)
);
--> statement-breakpoint
ALTER TABLE `dogs` ADD `profile` json;--> statement-breakpoint
ALTER TABLE `dogs` ADD `standing` json;--> statement-breakpoint
ALTER TABLE `people` ADD `email` varchar(120);--> statement-breakpoint
ALTER TABLE `room_tables` ADD `tool_ids` json;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD `found` json;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD `chosen` json;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD `closing` json;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD `setup_version` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `invitations` ADD CONSTRAINT `invitations_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `letters` ADD CONSTRAINT `letters_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pictures` ADD CONSTRAINT `pictures_session_id_practice_sessions_id_fk` FOREIGN KEY (`session_id`) REFERENCES `practice_sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
INSERT INTO `cohorts` (`name`, `started_on`) SELECT `cohort`, min(`started_on`) FROM `people` WHERE `cohort` <> '' GROUP BY `cohort`;
