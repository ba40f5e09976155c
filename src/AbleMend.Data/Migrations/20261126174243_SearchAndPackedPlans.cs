using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class SearchAndPackedPlans : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // The columns of case and plan take bytes as they are: copying every mend of a shop for the name of their type would help nobody.
            migrationBuilder.AddColumn<string>(
                name: "FindsJson",
                table: "Mends",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "LogJson",
                table: "Mends",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Written",
                table: "Mends",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "MendCount",
                table: "Items",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateIndex(
                name: "IX_Mends_Found",
                table: "Mends",
                column: "ItemId",
                filter: "FindsJson IS NOT NULL");

            migrationBuilder.Sql($"UPDATE Mends SET FindsJson = '{MendRow.FindsUnread}'");
            migrationBuilder.Sql(LogSearch.Schema);
            migrationBuilder.Sql(MendCounts.Schema);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(MendCounts.Removal);
            migrationBuilder.Sql(LogSearch.Removal);

            migrationBuilder.DropIndex(
                name: "IX_Mends_Found",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "FindsJson",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "LogJson",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "Written",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "MendCount",
                table: "Items");
        }
    }
}
