export { NotForYou as default } from "@/screens/student/not-for-you";
