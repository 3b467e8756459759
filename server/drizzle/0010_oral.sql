CREATE TABLE `oral_answers` (
	`id` uuid NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`question_id` varchar(60) NOT NULL,
	`was_right` boolean NOT NULL,
	`note` text NOT NULL,
	`on_date` date NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `oral_answers_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `oral_answers` ADD CONSTRAINT `oral_answers_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `oral_answers` ADD CONSTRAINT `oral_answers_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `oral_answers_apprentice` ON `oral_answers` (`apprentice_id`);