using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class HoldReadings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "AirC",
                table: "Events",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "BarometerKpa",
                table: "Events",
                type: "REAL",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "AirC",
                table: "Events");

            migrationBuilder.DropColumn(
                name: "BarometerKpa",
                table: "Events");
        }
    }
}
