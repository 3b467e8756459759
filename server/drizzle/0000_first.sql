CREATE TABLE `derived_attempts` (
	`session_id` uuid NOT NULL,
	`technique_id` varchar(60) NOT NULL,
	`setting` varchar(10) NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`dog_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `derived_attempts_session_id_technique_id_setting_pk` PRIMARY KEY(`session_id`,`technique_id`,`setting`)
);
--> statement-breakpoint
CREATE TABLE `audit_head` (
	`id` int NOT NULL,
	`seq` int NOT NULL,
	`hash` varchar(64) NOT NULL,
	CONSTRAINT `audit_head_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `audit_log` (
	`seq` int NOT NULL,
	`bytes` text NOT NULL,
	`hash` varchar(64) NOT NULL,
	CONSTRAINT `audit_log_seq` PRIMARY KEY(`seq`)
);
--> statement-breakpoint
CREATE TABLE `dogs` (
	`id` uuid NOT NULL,
	`name` varchar(60) NOT NULL,
	`body_type` varchar(60) NOT NULL,
	`coat` varchar(60) NOT NULL,
	`colour` varchar(60) NOT NULL,
	`withers_mm` int NOT NULL,
	`can_stand_min` int NOT NULL,
	`temperament` varchar(200) NOT NULL,
	`dislikes` varchar(200) NOT NULL,
	`burns` json NOT NULL,
	`owner_id` uuid,
	CONSTRAINT `dogs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `practice_events` (
	`id` uuid NOT NULL,
	`v` int NOT NULL,
	`kind` varchar(60) NOT NULL,
	`session_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`device_id` varchar(60) NOT NULL,
	`seq` int NOT NULL,
	`lamport` int NOT NULL,
	`at_device` datetime(3) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	`late` boolean NOT NULL,
	`payload` json NOT NULL,
	`content_hash` varchar(64) NOT NULL,
	CONSTRAINT `practice_events_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `findings` (
	`id` uuid NOT NULL,
	`number` varchar(20) NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`certificate_id` varchar(60) NOT NULL,
	`certificate_version` int NOT NULL,
	`rules` json NOT NULL,
	`status` varchar(10) NOT NULL,
	`drafted_by` uuid NOT NULL,
	`drafted_at` datetime(3) NOT NULL,
	`deciding_grading_id` uuid,
	`evidence` json,
	`decided_by` uuid,
	`reason` text,
	`audit_hash` varchar(64),
	CONSTRAINT `findings_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `grading_conflicts` (
	`id` uuid NOT NULL,
	`grading_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`draft` json NOT NULL,
	CONSTRAINT `grading_conflicts_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `grading_reads` (
	`grading_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `grading_reads_grading_id_person_id_pk` PRIMARY KEY(`grading_id`,`person_id`)
);
--> statement-breakpoint
CREATE TABLE `derived_grading_results` (
	`grading_id` uuid NOT NULL,
	`value` double NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `derived_grading_results_grading_id` PRIMARY KEY(`grading_id`)
);
--> statement-breakpoint
CREATE TABLE `gradings` (
	`id` uuid NOT NULL,
	`session_id` uuid NOT NULL,
	`assessor_id` uuid NOT NULL,
	`standard_id` varchar(60) NOT NULL,
	`standard_version` int NOT NULL,
	`house_rules` json NOT NULL,
	`status` varchar(10) NOT NULL,
	`blind` boolean NOT NULL,
	`version` int NOT NULL,
	`answers` json NOT NULL,
	`critical` json NOT NULL,
	`global_rating` varchar(20),
	`rated_at_answers` int,
	`started_at` datetime(3) NOT NULL,
	`signed_at` datetime(3),
	CONSTRAINT `gradings_id` PRIMARY KEY(`id`),
	CONSTRAINT `gradings_one_each` UNIQUE(`session_id`,`assessor_id`)
);
--> statement-breakpoint
CREATE TABLE `hold_lifts` (
	`id` uuid NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`technique_id` varchar(60) NOT NULL,
	`by_person` uuid NOT NULL,
	`reason` text NOT NULL,
	`on_date` date NOT NULL,
	CONSTRAINT `hold_lifts_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `owners` (
	`id` uuid NOT NULL,
	`given_name` varchar(60) NOT NULL,
	`contact` varchar(120) NOT NULL,
	CONSTRAINT `owners_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` uuid NOT NULL,
	`given_name` varchar(60) NOT NULL,
	`family_name` varchar(60) NOT NULL,
	`username` varchar(60) NOT NULL,
	`password_hash` varchar(200) NOT NULL,
	`role` varchar(20) NOT NULL,
	`cohort` varchar(60) NOT NULL,
	`started_on` date NOT NULL,
	`handed` varchar(10) NOT NULL,
	`active` boolean NOT NULL,
	CONSTRAINT `people_id` PRIMARY KEY(`id`),
	CONSTRAINT `people_username` UNIQUE(`username`)
);
--> statement-breakpoint
CREATE TABLE `room_tables` (
	`id` uuid NOT NULL,
	`number` int NOT NULL,
	`x_mm` int NOT NULL,
	`y_mm` int NOT NULL,
	`turn_deg` int NOT NULL,
	CONSTRAINT `room_tables_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `school` (
	`id` int NOT NULL,
	`name` varchar(80) NOT NULL,
	`room` varchar(80) NOT NULL,
	`time_zone` varchar(60) NOT NULL,
	`demo_now` datetime(3),
	`room_width_mm` int NOT NULL,
	`room_depth_mm` int NOT NULL,
	`house_rules` json NOT NULL,
	CONSTRAINT `school_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `practice_sessions` (
	`id` uuid NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`dog_id` uuid NOT NULL,
	`table_id` uuid NOT NULL,
	`standard_id` varchar(60) NOT NULL,
	`standard_version` int NOT NULL,
	`on_date` date NOT NULL,
	`check_in` json NOT NULL,
	CONSTRAINT `practice_sessions_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sign_in_failures` (
	`id` uuid NOT NULL,
	`key` varchar(120) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `sign_in_failures_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sign_ins` (
	`token_hash` varchar(64) NOT NULL,
	`person_id` uuid NOT NULL,
	`csrf` varchar(64) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	CONSTRAINT `sign_ins_token_hash` PRIMARY KEY(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `signatures` (
	`finding_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`note` varchar(120) NOT NULL,
	`signed_at` datetime(3) NOT NULL,
	CONSTRAINT `signatures_finding_id_person_id_pk` PRIMARY KEY(`finding_id`,`person_id`)
);
--> statement-breakpoint
CREATE TABLE `standards` (
	`id` varchar(60) NOT NULL,
	`version` int NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `standards_id_version_pk` PRIMARY KEY(`id`,`version`)
);
--> statement-breakpoint
CREATE TABLE `tools` (
	`id` varchar(60) NOT NULL,
	`position` int NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `tools_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `dogs` ADD CONSTRAINT `dogs_owner_id_owners_id_fk` FOREIGN KEY (`owner_id`) REFERENCES `owners`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_events` ADD CONSTRAINT `practice_events_session_id_practice_sessions_id_fk` FOREIGN KEY (`session_id`) REFERENCES `practice_sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_events` ADD CONSTRAINT `practice_events_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `findings` ADD CONSTRAINT `findings_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `grading_conflicts` ADD CONSTRAINT `grading_conflicts_grading_id_gradings_id_fk` FOREIGN KEY (`grading_id`) REFERENCES `gradings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `grading_reads` ADD CONSTRAINT `grading_reads_grading_id_gradings_id_fk` FOREIGN KEY (`grading_id`) REFERENCES `gradings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `gradings` ADD CONSTRAINT `gradings_session_id_practice_sessions_id_fk` FOREIGN KEY (`session_id`) REFERENCES `practice_sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `gradings` ADD CONSTRAINT `gradings_assessor_id_people_id_fk` FOREIGN KEY (`assessor_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `hold_lifts` ADD CONSTRAINT `hold_lifts_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `hold_lifts` ADD CONSTRAINT `hold_lifts_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD CONSTRAINT `practice_sessions_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD CONSTRAINT `practice_sessions_dog_id_dogs_id_fk` FOREIGN KEY (`dog_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_sessions` ADD CONSTRAINT `practice_sessions_table_id_room_tables_id_fk` FOREIGN KEY (`table_id`) REFERENCES `room_tables`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sign_ins` ADD CONSTRAINT `sign_ins_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `signatures` ADD CONSTRAINT `signatures_finding_id_findings_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `findings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `derived_attempts_apprentice` ON `derived_attempts` (`apprentice_id`);--> statement-breakpoint
CREATE INDEX `practice_events_session` ON `practice_events` (`session_id`);--> statement-breakpoint
CREATE INDEX `practice_sessions_date` ON `practice_sessions` (`on_date`);--> statement-breakpoint
CREATE INDEX `practice_sessions_apprentice` ON `practice_sessions` (`apprentice_id`);--> statement-breakpoint
CREATE INDEX `sign_in_failures_key` ON `sign_in_failures` (`key`,`at`);