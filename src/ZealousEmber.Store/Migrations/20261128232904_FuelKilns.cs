using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class FuelKilns : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Air",
                table: "studio_ways",
                type: "TEXT",
                nullable: false,
                defaultValue: "BodyThenLight");

            migrationBuilder.AddColumn<string>(
                name: "Fuel",
                table: "kilns",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Air",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "BodyThenLight");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Air",
                table: "studio_ways");

            migrationBuilder.DropColumn(
                name: "Fuel",
                table: "kilns");

            migrationBuilder.DropColumn(
                name: "Air",
                table: "firings");
        }
    }
}
