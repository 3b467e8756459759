CREATE TABLE `tablets` (
	`id` varchar(64) NOT NULL,
	`name` varchar(40) NOT NULL,
	`table_id` uuid,
	`locks_after_min` int NOT NULL,
	`enrolled_by` uuid NOT NULL,
	`enrolled_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	`revoked_by` uuid,
	CONSTRAINT `tablets_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `practice_events` ADD `away` varchar(10);--> statement-breakpoint
ALTER TABLE `people` ADD `pin_hash` varchar(200);--> statement-breakpoint
ALTER TABLE `sign_ins` ADD `pin_tablet` varchar(64);--> statement-breakpoint
ALTER TABLE `sign_ins` ADD `by_pin` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `tablets` ADD CONSTRAINT `tablets_table_id_room_tables_id_fk` FOREIGN KEY (`table_id`) REFERENCES `room_tables`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tablets` ADD CONSTRAINT `tablets_enrolled_by_people_id_fk` FOREIGN KEY (`enrolled_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;