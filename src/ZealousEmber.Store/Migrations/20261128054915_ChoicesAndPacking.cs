using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class ChoicesAndPacking : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "DropBy",
                table: "studio_ways",
                type: "REAL",
                nullable: false,
                defaultValue: 50.0);

            migrationBuilder.AddColumn<string>(
                name: "GoalOption",
                table: "studio_ways",
                type: "TEXT",
                nullable: false,
                defaultValue: "Middle");

            migrationBuilder.AddColumn<string>(
                name: "Chamber",
                table: "kilns",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Props",
                table: "kilns",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "DropBy",
                table: "firings",
                type: "REAL",
                nullable: false,
                defaultValue: 50.0);

            migrationBuilder.AddColumn<string>(
                name: "GoalOption",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "Middle");

            migrationBuilder.AddColumn<string>(
                name: "Packing",
                table: "firings",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "DropBy",
                table: "studio_ways");

            migrationBuilder.DropColumn(
                name: "GoalOption",
                table: "studio_ways");

            migrationBuilder.DropColumn(
                name: "Chamber",
                table: "kilns");

            migrationBuilder.DropColumn(
                name: "Props",
                table: "kilns");

            migrationBuilder.DropColumn(
                name: "DropBy",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "GoalOption",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "Packing",
                table: "firings");
        }
    }
}
