CREATE TABLE `coat_aims` (
	`dog_id` uuid NOT NULL,
	`aim_on` date,
	`aim` varchar(60) NOT NULL,
	`next_on` date,
	`every_days` int NOT NULL,
	`brushing` varchar(10) NOT NULL,
	CONSTRAINT `coat_aims_dog_id` PRIMARY KEY(`dog_id`)
);
--> statement-breakpoint
CREATE TABLE `coat_entries` (
	`id` uuid NOT NULL,
	`dog_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`place` varchar(60) NOT NULL,
	`side` varchar(10) NOT NULL,
	`act` json NOT NULL,
	`hands` uuid,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `coat_entries_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `derived_coat` (
	`session_id` uuid NOT NULL,
	`dog_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `derived_coat_session_id` PRIMARY KEY(`session_id`)
);
--> statement-breakpoint
CREATE TABLE `coat_struck` (
	`entry_id` varchar(160) NOT NULL,
	`dog_id` uuid NOT NULL,
	`reason` text NOT NULL,
	`by_person` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `coat_struck_entry_id` PRIMARY KEY(`entry_id`)
);
--> statement-breakpoint
ALTER TABLE `school` ADD `coat` json;--> statement-breakpoint
ALTER TABLE `coat_aims` ADD CONSTRAINT `coat_aims_dog_id_dogs_id_fk` FOREIGN KEY (`dog_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coat_entries` ADD CONSTRAINT `coat_entries_dog_id_dogs_id_fk` FOREIGN KEY (`dog_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coat_entries` ADD CONSTRAINT `coat_entries_hands_people_id_fk` FOREIGN KEY (`hands`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coat_entries` ADD CONSTRAINT `coat_entries_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coat_struck` ADD CONSTRAINT `coat_struck_dog_id_dogs_id_fk` FOREIGN KEY (`dog_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coat_struck` ADD CONSTRAINT `coat_struck_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `coat_entries_dog` ON `coat_entries` (`dog_id`);--> statement-breakpoint
CREATE INDEX `derived_coat_dog` ON `derived_coat` (`dog_id`);--> statement-breakpoint
CREATE INDEX `coat_struck_dog` ON `coat_struck` (`dog_id`);