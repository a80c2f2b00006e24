using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class GoalOption : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "GoalOption",
                table: "studio_ways",
                type: "TEXT",
                nullable: false,
                defaultValue: "Middle");

            migrationBuilder.AddColumn<string>(
                name: "GoalOption",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "Middle");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "GoalOption",
                table: "studio_ways");

            migrationBuilder.DropColumn(
                name: "GoalOption",
                table: "firings");
        }
    }
}
