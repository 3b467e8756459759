CREATE TABLE `calendar_marks` (
	`uid` varchar(120) NOT NULL,
	`sequence` int NOT NULL,
	`told` varchar(64) NOT NULL,
	`on_date` date NOT NULL,
	`person_id` uuid,
	`changed_at` datetime(3) NOT NULL,
	`gone_at` datetime(3),
	CONSTRAINT `calendar_marks_uid` PRIMARY KEY(`uid`)
);
--> statement-breakpoint
CREATE TABLE `coat_plans` (
	`dog_id` uuid NOT NULL,
	`aim_on` date NOT NULL,
	`sessions` json NOT NULL,
	`by_person` uuid NOT NULL,
	`on_date` date NOT NULL,
	CONSTRAINT `coat_plans_dog_id` PRIMARY KEY(`dog_id`)
);
--> statement-breakpoint
CREATE TABLE `days_off` (
	`id` uuid NOT NULL,
	`about` varchar(10) NOT NULL,
	`about_id` uuid,
	`from_on` date NOT NULL,
	`to_on` date NOT NULL,
	`name` varchar(60) NOT NULL,
	`is_from_file` boolean NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `days_off_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `calendar_feeds` (
	`id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`name` varchar(60) NOT NULL,
	`secret_hash` varchar(64) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`last_read_at` datetime(3),
	`withdrawn_at` datetime(3),
	CONSTRAINT `calendar_feeds_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `school` ADD `opening` json;--> statement-breakpoint
ALTER TABLE `visits` ADD `comes_at` varchar(5);--> statement-breakpoint
ALTER TABLE `coat_plans` ADD CONSTRAINT `coat_plans_dog_id_dogs_id_fk` FOREIGN KEY (`dog_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coat_plans` ADD CONSTRAINT `coat_plans_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `calendar_feeds` ADD CONSTRAINT `calendar_feeds_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `calendar_marks_date` ON `calendar_marks` (`on_date`);--> statement-breakpoint
CREATE INDEX `days_off_about` ON `days_off` (`about`,`about_id`);--> statement-breakpoint
CREATE INDEX `calendar_feeds_person` ON `calendar_feeds` (`person_id`);