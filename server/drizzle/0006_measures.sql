CREATE TABLE `picture_marks` (
	`picture_id` uuid NOT NULL,
	`by_person` uuid NOT NULL,
	`seen` varchar(10) NOT NULL,
	`version` int NOT NULL,
	`marks` json NOT NULL,
	`regions` json NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `picture_marks_picture_id_by_person_pk` PRIMARY KEY(`picture_id`,`by_person`)
);
--> statement-breakpoint
ALTER TABLE `picture_marks` ADD CONSTRAINT `picture_marks_picture_id_pictures_id_fk` FOREIGN KEY (`picture_id`) REFERENCES `pictures`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `picture_marks` ADD CONSTRAINT `picture_marks_by_person_people_id_fk` FOREIGN KEY (`by_person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;