CREATE TABLE `assessment_days` (
	`on_date` date NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `assessment_days_on_date` PRIMARY KEY(`on_date`)
);
--> statement-breakpoint
CREATE TABLE `assessments` (
	`session_id` uuid NOT NULL,
	`first_assessor` uuid NOT NULL,
	`second_assessor` uuid NOT NULL,
	`asked_by` uuid NOT NULL,
	`asked_at` datetime(3) NOT NULL,
	`outcome` varchar(10),
	`reason` text,
	`settled_by` uuid,
	`agreed_by` uuid,
	`settled_at` datetime(3),
	CONSTRAINT `assessments_session_id` PRIMARY KEY(`session_id`)
);
--> statement-breakpoint
CREATE TABLE `certificates` (
	`id` varchar(60) NOT NULL,
	`version` int NOT NULL,
	`body` json NOT NULL,
	`by_person` uuid,
	`at` datetime(3),
	CONSTRAINT `certificates_id_version_pk` PRIMARY KEY(`id`,`version`)
);
--> statement-breakpoint
CREATE TABLE `derived_charts` (
	`apprentice_id` uuid NOT NULL,
	`technique_id` varchar(60) NOT NULL,
	`attempts` int NOT NULL,
	`clean` int NOT NULL,
	`score` int NOT NULL,
	`mode` varchar(12) NOT NULL,
	`signal_on` date,
	`last_on` date,
	`held_on` date,
	`found` json,
	CONSTRAINT `derived_charts_apprentice_id_technique_id_pk` PRIMARY KEY(`apprentice_id`,`technique_id`)
);
--> statement-breakpoint
CREATE TABLE `retired_certificates` (
	`id` varchar(60) NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `retired_certificates_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
DROP INDEX `derived_attempts_apprentice` ON `derived_attempts`;--> statement-breakpoint
ALTER TABLE `derived_attempts` ADD `plan_minutes` double;--> statement-breakpoint
ALTER TABLE `findings` ADD `valid_until` date;--> statement-breakpoint
ALTER TABLE `findings` ADD `renews` uuid;--> statement-breakpoint
ALTER TABLE `derived_grading_results` ADD `outcome` varchar(20);--> statement-breakpoint
ALTER TABLE `school` ADD `competency` json;--> statement-breakpoint
ALTER TABLE `school` ADD `derived_by` int;--> statement-breakpoint
ALTER TABLE `assessments` ADD CONSTRAINT `assessments_session_id_practice_sessions_id_fk` FOREIGN KEY (`session_id`) REFERENCES `practice_sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `assessments` ADD CONSTRAINT `assessments_first_assessor_people_id_fk` FOREIGN KEY (`first_assessor`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `assessments` ADD CONSTRAINT `assessments_second_assessor_people_id_fk` FOREIGN KEY (`second_assessor`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `assessments_first` ON `assessments` (`first_assessor`);--> statement-breakpoint
CREATE INDEX `assessments_second` ON `assessments` (`second_assessor`);--> statement-breakpoint
CREATE INDEX `derived_attempts_apprentice` ON `derived_attempts` (`apprentice_id`,`technique_id`);