using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class HeldMends : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "HeldFailed",
                table: "Mends",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "HeldMethod",
                table: "Mends",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "HeldYears",
                table: "Mends",
                type: "REAL",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Mends_HeldMethod",
                table: "Mends",
                column: "HeldMethod",
                filter: "HeldMethod IS NOT NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Mends_HeldMethod",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "HeldFailed",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "HeldMethod",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "HeldYears",
                table: "Mends");
        }
    }
}
