using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class SaveKeysAndStorageTypes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "studio_ways",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Clock",
                table: "studio_hours",
                type: "TEXT",
                nullable: false,
                defaultValue: "TwentyFour");

            migrationBuilder.AddColumn<string>(
                name: "Length",
                table: "studio_hours",
                type: "TEXT",
                nullable: false,
                defaultValue: "Millimetre");

            migrationBuilder.AddColumn<string>(
                name: "Mass",
                table: "studio_hours",
                type: "TEXT",
                nullable: false,
                defaultValue: "Kilogram");

            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "studio_hours",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Tariffs",
                table: "studio_hours",
                type: "TEXT",
                nullable: false,
                defaultValue: "[]");

            migrationBuilder.AddColumn<string>(
                name: "Temperature",
                table: "studio_hours",
                type: "TEXT",
                nullable: false,
                defaultValue: "Celsius");

            migrationBuilder.AlterColumn<string>(
                name: "Segments",
                table: "schedules",
                type: "TEXT",
                nullable: false,
                defaultValue: "",
                oldClrType: typeof(string),
                oldType: "TEXT",
                oldNullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CreateKey",
                table: "schedules",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "schedules",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "UpdatedBy",
                table: "schedules",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AlterColumn<string>(
                name: "Segments",
                table: "schedule_versions",
                type: "TEXT",
                nullable: false,
                defaultValue: "",
                oldClrType: typeof(string),
                oldType: "TEXT",
                oldNullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SavedBy",
                table: "schedule_versions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CreateKey",
                table: "kilns",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "kilns",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "UpdatedBy",
                table: "kilns",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CreateKey",
                table: "glazes",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "glazes",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "UpdatedBy",
                table: "glazes",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CreateKey",
                table: "firings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "KilnAsPlanned",
                table: "firings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "firings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ScheduleVersion",
                table: "firings",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "UpdatedBy",
                table: "firings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CreateKey",
                table: "clays",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SaveKey",
                table: "clays",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "UpdatedBy",
                table: "clays",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_schedules_CreateKey",
                table: "schedules",
                column: "CreateKey");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_schedules_CreateKey",
                table: "schedules");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "studio_ways");

            migrationBuilder.DropColumn(
                name: "Clock",
                table: "studio_hours");

            migrationBuilder.DropColumn(
                name: "Length",
                table: "studio_hours");

            migrationBuilder.DropColumn(
                name: "Mass",
                table: "studio_hours");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "studio_hours");

            migrationBuilder.DropColumn(
                name: "Tariffs",
                table: "studio_hours");

            migrationBuilder.DropColumn(
                name: "Temperature",
                table: "studio_hours");

            migrationBuilder.DropColumn(
                name: "CreateKey",
                table: "schedules");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "schedules");

            migrationBuilder.DropColumn(
                name: "UpdatedBy",
                table: "schedules");

            migrationBuilder.DropColumn(
                name: "SavedBy",
                table: "schedule_versions");

            migrationBuilder.DropColumn(
                name: "CreateKey",
                table: "kilns");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "kilns");

            migrationBuilder.DropColumn(
                name: "UpdatedBy",
                table: "kilns");

            migrationBuilder.DropColumn(
                name: "CreateKey",
                table: "glazes");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "glazes");

            migrationBuilder.DropColumn(
                name: "UpdatedBy",
                table: "glazes");

            migrationBuilder.DropColumn(
                name: "CreateKey",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "KilnAsPlanned",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "ScheduleVersion",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "UpdatedBy",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "CreateKey",
                table: "clays");

            migrationBuilder.DropColumn(
                name: "SaveKey",
                table: "clays");

            migrationBuilder.DropColumn(
                name: "UpdatedBy",
                table: "clays");

            migrationBuilder.AlterColumn<string>(
                name: "Segments",
                table: "schedules",
                type: "TEXT",
                nullable: true,
                oldClrType: typeof(string),
                oldType: "TEXT");

            migrationBuilder.AlterColumn<string>(
                name: "Segments",
                table: "schedule_versions",
                type: "TEXT",
                nullable: true,
                oldClrType: typeof(string),
                oldType: "TEXT");
        }
    }
}
