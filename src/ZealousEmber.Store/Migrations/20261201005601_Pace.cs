using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class Pace : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Pace",
                table: "studio_ways",
                type: "TEXT",
                nullable: false,
                defaultValue: "Brisk");

            migrationBuilder.AddColumn<string>(
                name: "Pace",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "Brisk");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Pace",
                table: "studio_ways");

            migrationBuilder.DropColumn(
                name: "Pace",
                table: "firings");
        }
    }
}
