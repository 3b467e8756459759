CREATE TABLE `appeals` (
	`grading_id` uuid NOT NULL,
	`by` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`text` text NOT NULL,
	`counts` varchar(10),
	`second_id` uuid,
	`decided_by` uuid,
	`decided_at` datetime(3),
	`reason` text,
	CONSTRAINT `appeals_grading_id` PRIMARY KEY(`grading_id`)
);
--> statement-breakpoint
CREATE TABLE `kept_certificates` (
	`finding_id` uuid NOT NULL,
	`grading_id` uuid NOT NULL,
	`by` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`reason` text NOT NULL,
	CONSTRAINT `kept_certificates_finding_id_grading_id_pk` PRIMARY KEY(`finding_id`,`grading_id`)
);
--> statement-breakpoint
CREATE TABLE `set_asides` (
	`grading_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`by` uuid NOT NULL,
	`reason` text NOT NULL,
	CONSTRAINT `set_asides_grading_id` PRIMARY KEY(`grading_id`)
);
--> statement-breakpoint
ALTER TABLE `appeals` ADD CONSTRAINT `appeals_grading_id_gradings_id_fk` FOREIGN KEY (`grading_id`) REFERENCES `gradings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kept_certificates` ADD CONSTRAINT `kept_certificates_finding_id_findings_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `findings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kept_certificates` ADD CONSTRAINT `kept_certificates_grading_id_gradings_id_fk` FOREIGN KEY (`grading_id`) REFERENCES `gradings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `set_asides` ADD CONSTRAINT `set_asides_grading_id_gradings_id_fk` FOREIGN KEY (`grading_id`) REFERENCES `gradings`(`id`) ON DELETE no action ON UPDATE no action;