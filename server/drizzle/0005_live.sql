CREATE TABLE `absences` (
	`on_date` date NOT NULL,
	`person_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `absences_on_date_person_id_pk` PRIMARY KEY(`on_date`,`person_id`)
);
--> statement-breakpoint
CREATE TABLE `figure_practice` (
	`id` uuid NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`technique_id` varchar(60) NOT NULL,
	`side` varchar(10) NOT NULL,
	`on_date` date NOT NULL,
	`minutes` int NOT NULL,
	`note` text NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `figure_practice_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `live_head` (
	`id` int NOT NULL,
	`position` int NOT NULL,
	CONSTRAINT `live_head_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `opened_days` (
	`on_date` date NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `opened_days_on_date` PRIMARY KEY(`on_date`)
);
--> statement-breakpoint
CREATE INDEX `pictures_session` ON `pictures` (`session_id`);--> statement-breakpoint
ALTER TABLE `pictures` DROP INDEX `pictures_one_each`;--> statement-breakpoint
ALTER TABLE `practice_events` ADD `clock_off_ms` int;--> statement-breakpoint
ALTER TABLE `practice_events` ADD `position` int;--> statement-breakpoint
ALTER TABLE `practice_events` ADD CONSTRAINT `practice_events_position` UNIQUE(`position`);--> statement-breakpoint
ALTER TABLE `absences` ADD CONSTRAINT `absences_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `figure_practice` ADD CONSTRAINT `figure_practice_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `figure_practice_apprentice` ON `figure_practice` (`apprentice_id`,`on_date`);