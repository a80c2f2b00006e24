using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class GasCheckLists : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "GasAfter",
                table: "check_lists",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "GasBefore",
                table: "check_lists",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "GasAfter",
                table: "check_lists");

            migrationBuilder.DropColumn(
                name: "GasBefore",
                table: "check_lists");
        }
    }
}
