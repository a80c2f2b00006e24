using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class KilnControllers : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "MaxSteps",
                table: "firings");

            migrationBuilder.AddColumn<int>(
                name: "ControllerId",
                table: "kilns",
                type: "INTEGER",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ControllerId",
                table: "kilns");

            migrationBuilder.AddColumn<int>(
                name: "MaxSteps",
                table: "firings",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);
        }
    }
}
