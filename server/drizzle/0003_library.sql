CREATE TABLE `retired_standards` (
	`id` varchar(60) NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `retired_standards_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `school_techniques` (
	`id` varchar(60) NOT NULL,
	`version` int NOT NULL,
	`body` json NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `school_techniques_id_version_pk` PRIMARY KEY(`id`,`version`)
);
--> statement-breakpoint
CREATE TABLE `standard_drafts` (
	`id` uuid NOT NULL,
	`version` int NOT NULL,
	`standard_id` varchar(60) NOT NULL,
	`based_on` json,
	`body` json NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `standard_drafts_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `gradings` ADD `wishes` json;--> statement-breakpoint
ALTER TABLE `standards` ADD `by_person` uuid;--> statement-breakpoint
ALTER TABLE `standards` ADD `at` datetime(3);